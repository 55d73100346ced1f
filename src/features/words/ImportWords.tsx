import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { importWords, MOST_IMPORTED } from '@/core/words/importWords';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { FileButton } from '@/parts/ui/FileButton';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useTextDraft } from '@/store/attic/drafts';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { addReadings } from '@/store/pictures/readings';
import { factsFound, leftOutWhy } from '@/wording/words';

/** Words from another listing or page: pasted or from a file, cleaned, shown, and only then taken. */
export function ImportWords({ item }: { item: Item }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const [opened, setOpen] = useState(false);
  const [pasted, setPasted, clearPasted] = useTextDraft(`words:${item.id}`);
  // What was pasted and not taken is still there.
  const open = opened || pasted !== '';
  if (!open)
    return (
      <Button variant="quiet" onPress={() => setOpen(true)}>
        Bring in words from elsewhere
      </Button>
    );
  const done = () => {
    setOpen(false);
    clearPasted();
  };
  const found = pasted.trim() === '' ? null : importWords(pasted, kinds, item.kind, units);
  return (
    <Card label="Import text">
      <Field
        label="Paste words or a page’s markup"
        value={pasted}
        multiline
        pause={0}
        maxLength={MOST_IMPORTED}
        onChange={setPasted}
      />
      <FileButton
        accept=".html,.htm,.txt,text/html,text/plain"
        onFiles={(files) =>
          void files[0]
            ?.slice(0, MOST_IMPORTED * 4)
            .text()
            .then(setPasted)
        }
      >
        Or choose a file
      </FileButton>
      {found ? (
        <View role="group" aria-label="What is left of it" style={{ gap: 8 }}>
          <Text>{found.text || 'Nothing is left of it but another shop’s words.'}</Text>
          {found.leftOut.map((l) => (
            <Text key={l.line} variant="small" tone="soft" numberOfLines={2}>
              {`Left out: “${l.line.slice(0, 120)}” (${leftOutWhy(l.why)})`}
            </Text>
          ))}
          {found.facts.length > 0 ? <Notice tone="info">{factsFound(found.facts.length)}</Notice> : null}
          <Button
            variant="main"
            disabled={found.text === ''}
            onPress={() => {
              editItem(item.id, 'words brought in', { description: found.text.slice(0, 10_000) });
              addReadings(
                item.id,
                null,
                found.facts.map((f) => ({
                  ...f,
                  value: f.value.slice(0, 400),
                  words: f.words.slice(0, 400),
                  from: 'words' as const,
                })),
              );
              done();
            }}
          >
            Take these words as the description
          </Button>
        </View>
      ) : null}
      <Button variant="quiet" onPress={done}>
        Leave it
      </Button>
    </Card>
  );
}
