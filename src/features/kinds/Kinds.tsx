import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { FactSpec } from '@/core/kinds/spec';
import { plural } from '@/core/language/plural';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { addKind, removeKind, takeBackSpecific } from '@/store/items/ownKinds';

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
    <Page title="Kinds" back="/attic">
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Chip role="button" on={!here} onPress={() => go(null)}>
          Every item
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
      <Text variant="heading">
        {here ? `Asked of ${here.name.toLocaleLowerCase('en')}` : 'Asked of every item'}
      </Text>
      <Text tone="soft" variant="small">
        {here
          ? 'All kinds below are asked the same, unless they ask it their own way.'
          : 'These show once they are known, whatever the kind.'}
      </Text>
      {asked.map((spec) => {
        const mine = Object.values(own).find((o) => o.fact === spec.id && here?.path.includes(o.kind));
        const owned = mine ?? Object.values(own).find((o) => o.fact === spec.id && o.kind === at);
        return (
          <View key={spec.id} style={{ gap: 6 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <View style={{ flex: 1 }}>
                <Text variant="strong">{spec.label}</Text>
                <Text variant="small" tone="soft">
                  {[
                    wordsFor(spec),
                    owned
                      ? owned.kind === at
                        ? 'yours'
                        : `yours, from ${kinds.get(owned.kind)?.name ?? 'every item'}`
                      : '',
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </Text>
              </View>
              <Button
                variant="quiet"
                label={`Change: ${spec.label}`}
                onPress={() => setOpen(open !== 'new' && open?.id === spec.id ? null : spec)}
              >
                Change
              </Button>
            </View>
            {open !== null && open !== 'new' && open.id === spec.id ? (
              <>
                <QuestionForm at={at} before={spec} onDone={() => setOpen(null)} />
                {owned?.kind === at ? (
                  <Button
                    variant="quiet"
                    icon="undo"
                    onPress={() => {
                      takeBackSpecific(owned.id);
                      setOpen(null);
                    }}
                  >
                    Ask it no longer my way
                  </Button>
                ) : null}
              </>
            ) : null}
          </View>
        );
      })}
      {open === 'new' ? (
        <QuestionForm at={at} before={null} onDone={() => setOpen(null)} />
      ) : (
        <Button icon="add" onPress={() => setOpen('new')}>
          Ask something else
        </Button>
      )}
    </Card>
  );
}

function Below({ at, onGo }: { at: string | null; onGo: (id: string | null) => void }) {
  const kinds = useKinds();
  const items = useAttic((s) => s.items);
  const [name, setName] = useState('');
  const here = at === null ? undefined : kinds.get(at);
  const below = kinds.children(at);
  const used = here ? Object.values(items).filter((t) => t.kind === here.id).length : 0;
  return (
    <Card label="Kinds below">
      <Text variant="heading">{here ? `Kinds of ${here.name.toLocaleLowerCase('en')}` : 'All kinds'}</Text>
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
      <Button
        icon="add"
        disabled={name.trim() === ''}
        onPress={() => {
          onGo(addKind(at, name.trim()));
          setName('');
        }}
      >
        Add this kind
      </Button>
      {here?.own ? (
        used > 0 || below.length > 0 ? (
          <Notice tone="info">
            {used > 0
              ? `${plural(used, 'One item is', `${used} items are`)} of this kind: it can be removed ` +
                'once none is.'
              : 'It can be removed once no kind lies below it.'}
          </Notice>
        ) : (
          <Button
            variant="quiet"
            icon="remove"
            onPress={() => {
              onGo(here.parent);
              removeKind(here.id);
            }}
          >
            {`Remove the kind ${here.name}`}
          </Button>
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
