import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { arranged, formFor } from '@/core/kinds/form';
import type { FactSpec } from '@/core/kinds/spec';
import { readable } from '@/core/kinds/values';
import { counted } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { KindPicker } from '@/parts/trade/KindPicker';
import { LookUpLine } from '@/parts/trade/LookUpLine';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';

import { FactField } from './FactField';
import { SizeElsewhere } from './SizeElsewhere';
import { Readings } from '../pictures/Readings';

/** Kind of item and its specifics. Facts that a new kind does not ask for are set aside, not lost. */
export const WhatSection = memo(function WhatSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const kinds = useKinds();
  const router = useRouter();
  const kind = kinds.get(item.kind);
  const forms = useAttic((s) => s.forms);
  // Whatever was open once stays: a field that is emptied must not go from under the typing.
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const known = Object.keys(item.facts).filter((id) => !opened.has(id));
  if (known.length > 0) setOpened(new Set([...opened, ...known]));
  const asked = kinds.facts(item.kind);
  const { shown, hidden } = arranged(asked, kind && formFor(kind, Object.values(forms)));
  const others = kinds.common.filter((f) => !asked.some((own) => own.id === f.id));
  const isOpen = (f: FactSpec) => opened.has(f.id);
  // What is known is never out of sight, whatever the form says.
  const asking = [...shown, ...hidden.filter(isOpen), ...others.filter(isOpen)];
  const addable = [...hidden, ...others].filter((f) => !isOpen(f));
  const missing = asked.filter((f) => f.need === 'required' && !item.facts[f.id]);
  return (
    <Section
      name="kind"
      title="Kind and specifics"
      blank={!kind || missing.length > 0 || item.readings.length > 0}
      summary={
        kind && missing.length > 0
          ? `${kind.name} · ${counted(missing.length, 'answer')} missing`
          : kind?.name
      }
    >
      <KindPicker item={item} />
      <FieldFindings examined={findings} field="kind" />
      <ReadingsAndLookUp itemId={item.id} />
      {asking.map((spec) => (
        <View key={spec.id} style={{ gap: 6 }}>
          <FactField itemId={item.id} spec={spec} value={item.facts[spec.id] ?? ''} />
          {spec.id === 'sizeSystem' ? <SizeElsewhere item={item} /> : null}
          <FieldFindings examined={findings} field={`fact:${spec.id}`} />
        </View>
      ))}
      {addable.length > 0 ? (
        <ChipRow label="More to say" radio={false}>
          {addable.map((f) => (
            <Chip
              key={f.id}
              role="button"
              on={false}
              label={`Say more: ${f.label}`}
              onPress={() => setOpened(new Set([...opened, f.id]))}
            >
              {f.label}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <Aside item={item} />
      {kind ? (
        <Button variant="quiet" icon="add" onPress={() => router.navigate(`/kinds?at=${kind.id}`)}>
          Ask something else of this kind
        </Button>
      ) : null}
    </Section>
  );
});

function ReadingsAndLookUp({ itemId }: { itemId: string }) {
  const item = useAttic((s) => s.items[itemId]);
  return (
    <>
      <Readings itemId={itemId} />
      {item ? <LookUpLine item={item} /> : null}
    </>
  );
}

/** What was said of it when it was taken for another kind. */
function Aside({ item }: { item: Item }) {
  const kinds = useKinds();
  const facts = Object.entries(item.parked.facts);
  if (facts.length === 0) return null;
  return (
    <Text variant="small" tone="soft">
      {`Set aside, since this kind does not ask: ${facts
        .map(([id, value]) => `${kinds.factName(item.kind, id).toLocaleLowerCase('en')} ${readable(value)}`)
        .join('; ')}. It comes back with a kind that does.`}
    </Text>
  );
}
