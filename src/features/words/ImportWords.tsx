import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { importWords, MOST_IMPORTED } from '@/core/words/importWords';
import { Field } from '@/parts/Field';
import { FilePress } from '@/parts/FilePress';
import { Notice } from '@/parts/Notice';
import { Card } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useTextDraft } from '@/store/drafts';
import { useKinds } from '@/store/kinds';
import { addReadings } from '@/store/readings';
import { editThing } from '@/store/things';

/** Words from another listing or page: pasted or from a file, cleaned, shown, and only then taken. */
export function ImportWords({ thing }: { thing: Thing }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const [opened, setOpen] = useState(false);
  const [pasted, setPasted, clearPasted] = useTextDraft(`words:${thing.id}`);
  // What was pasted and not taken is still there.
  const open = opened || pasted !== '';
  if (!open)
    return (
      <Press kind="quiet" onPress={() => setOpen(true)}>
        Bring in words from elsewhere
      </Press>
    );
  const done = () => {
    setOpen(false);
    clearPasted();
  };
  const found = pasted.trim() === '' ? null : importWords(pasted, kinds, thing.kind, units);
  return (
    <Card label="Words from elsewhere">
      <Field
        label="Paste words or a page’s markup"
        value={pasted}
        multiline
        pause={0}
        maxLength={MOST_IMPORTED}
        onChange={setPasted}
      />
      <FilePress
        accept=".html,.htm,.txt,text/html,text/plain"
        onFiles={(files) =>
          void files[0]
            ?.slice(0, MOST_IMPORTED * 4)
            .text()
            .then(setPasted)
        }
      >
        Or choose a file
      </FilePress>
      {found ? (
        <View role="group" aria-label="What is left of it" style={{ gap: 8 }}>
          <Words>{found.text || 'Nothing is left of it but another shop’s words.'}</Words>
          {found.leftOut.map((l) => (
            <Words key={l.line} kind="small" tone="soft" numberOfLines={2}>
              {`Left out: “${l.line.slice(0, 120)}” (${l.why})`}
            </Words>
          ))}
          {found.facts.length > 0 ? (
            <Notice tone="info">
              {found.facts.length === 1
                ? 'One fact was found in it; it waits at the top of the sheet for your word.'
                : `${found.facts.length} facts were found in it; they wait at the top of the sheet for your word.`}
            </Notice>
          ) : null}
          <Press
            kind="main"
            disabled={found.text === ''}
            onPress={() => {
              editThing(thing.id, 'words brought in', { description: found.text.slice(0, 10_000) });
              addReadings(thing.id, null, found.facts.map((f) => ({ ...f, value: f.value.slice(0, 400), words: f.words.slice(0, 400), from: 'words' as const }))); // prettier-ignore
              done();
            }}
          >
            Take these words as the description
          </Press>
        </View>
      ) : null}
      <Press kind="quiet" onPress={done}>
        Leave it
      </Press>
    </Card>
  );
}
