import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { FactSpec } from '@/core/kinds/spec';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Card, Page } from '@/parts/Page';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { addKind, removeKind, takeBackSpecific } from '@/store/ownKinds';

import { BackTo } from '../shell/BackTo';
import { FormOrder } from './FormOrder';
import { QuestionForm } from './QuestionForm';

/** The tree of kinds: what is asked of which, with kinds and questions of one's own. */
export function Kinds() {
  const { at = '' } = useLocalSearchParams<{ at?: string }>();
  const router = useRouter();
  const kinds = useKinds();
  const here = kinds.get(at);
  const go = (id: string | null) => router.setParams({ at: id ?? '' });
  return (
    <Page title="Kinds" aside={<BackTo path="/attic" />}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Chip role="button" on={!here} onPress={() => go(null)}>
          Every thing
        </Chip>
        {(here?.path ?? []).map((id) => (
          <Chip key={id} role="button" on={id === here?.id} onPress={() => go(id)}>
            {kinds.get(id)?.name ?? id}
          </Chip>
        ))}
      </View>
      <Questions key={`asked-${at}`} at={here?.id ?? ''} />
      {here ? <FormOrder key={`form-${at}`} kind={here} /> : null}
      <Below key={`below-${at}`} at={here?.id ?? null} onGo={go} />
    </Page>
  );
}

function Questions({ at }: { at: string }) {
  const kinds = useKinds();
  const own = useAttic((s) => s.specifics);
  const [open, setOpen] = useState<FactSpec | 'new' | null>(null);
  const here = kinds.get(at);
  const asked = here ? here.facts : kinds.common;
  return (
    <Card label="Questions">
      <Words kind="heading">
        {here ? `Asked of ${here.name.toLocaleLowerCase('en')}` : 'Asked of every thing'}
      </Words>
      <Words tone="soft" kind="small">
        {here
          ? 'All kinds below are asked the same, unless they ask it their own way.'
          : 'These show once they are known, whatever the kind.'}
      </Words>
      {asked.map((spec) => {
        const mine = Object.values(own).find((o) => o.fact === spec.id && here?.path.includes(o.kind));
        const owned = mine ?? Object.values(own).find((o) => o.fact === spec.id && o.kind === at);
        return (
          <View key={spec.id} style={{ gap: 6 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Words kind="strong">{spec.label}</Words>
                <Words kind="small" tone="soft">
                  {[
                    wordsFor(spec),
                    owned
                      ? owned.kind === at
                        ? 'yours'
                        : `yours, from ${kinds.get(owned.kind)?.name ?? 'every thing'}`
                      : '',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </Words>
              </View>
              <Press
                kind="quiet"
                label={`Change: ${spec.label}`}
                onPress={() => setOpen(open !== 'new' && open?.id === spec.id ? null : spec)}
              >
                Change
              </Press>
            </View>
            {open !== null && open !== 'new' && open.id === spec.id ? (
              <>
                <QuestionForm at={at} before={spec} onDone={() => setOpen(null)} />
                {owned?.kind === at ? (
                  <Press
                    kind="quiet"
                    icon="undo"
                    onPress={() => {
                      takeBackSpecific(owned.id);
                      setOpen(null);
                    }}
                  >
                    Ask it no longer my way
                  </Press>
                ) : null}
              </>
            ) : null}
          </View>
        );
      })}
      {open === 'new' ? (
        <QuestionForm at={at} before={null} onDone={() => setOpen(null)} />
      ) : (
        <Press icon="add" onPress={() => setOpen('new')}>
          Ask something else
        </Press>
      )}
    </Card>
  );
}

function Below({ at, onGo }: { at: string | null; onGo: (id: string | null) => void }) {
  const kinds = useKinds();
  const things = useAttic((s) => s.things);
  const [name, setName] = useState('');
  const here = at === null ? undefined : kinds.get(at);
  const below = kinds.children(at);
  const used = here ? Object.values(things).filter((t) => t.kind === here.id).length : 0;
  return (
    <Card label="Kinds below">
      <Words kind="heading">{here ? `Kinds of ${here.name.toLocaleLowerCase('en')}` : 'All kinds'}</Words>
      {below.length > 0 ? (
        <ChipRow label="Kinds" radio={false}>
          {below.map((k) => (
            <Chip key={k.id} role="button" on={false} onPress={() => onGo(k.id)}>
              {k.own ? `${k.name} (yours)` : k.name}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <Field label="Name of a new kind" value={name} maxLength={60} pause={0} onChange={setName} />
      <Press
        icon="add"
        disabled={name.trim() === ''}
        onPress={() => {
          onGo(addKind(at, name.trim()));
          setName('');
        }}
      >
        Add this kind
      </Press>
      {here?.own ? (
        used > 0 || below.length > 0 ? (
          <Notice tone="info">
            {used > 0
              ? `${used === 1 ? 'One thing is' : `${used} things are`} of this kind: it can be removed once none is.`
              : 'It can be removed once no kind lies below it.'}
          </Notice>
        ) : (
          <Press
            kind="quiet"
            icon="remove"
            onPress={() => {
              onGo(here.parent);
              removeKind(here.id);
            }}
          >
            {`Remove the kind ${here.name}`}
          </Press>
        )
      ) : null}
    </Card>
  );
}

const TYPE_WORDS = { text: 'words', number: 'a number', year: 'a year', yesNo: 'yes or no' } as const;

function wordsFor(spec: FactSpec): string {
  const choices = spec.choices?.length ?? 0;
  return [
    choices > 0
      ? `${spec.closed ? 'one of' : 'words, with'} ${choices} choices`
      : TYPE_WORDS[spec.type ?? 'text'],
    spec.several ? 'several' : '',
    spec.need === 'required' ? 'required' : spec.need === 'wanted' ? 'good to have' : '',
    spec.private ? 'private: never sent' : '',
  ]
    .filter(Boolean)
    .join(', ');
}
