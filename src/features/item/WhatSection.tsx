import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { arranged, formFor } from '@/core/kinds/form';
import type { FactSpec } from '@/core/kinds/spec';
import { readable } from '@/core/kinds/values';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import type { Examined } from '@/core/listing/examine';

import { Readings } from '../pictures/Readings';
import { FactField } from './FactField';
import { KindPicker } from './KindPicker';
import { LookUpLine } from './LookUpLine';
import { FieldFindings, Section } from './Section';
import { SizeElsewhere } from './SizeElsewhere';

/** Kind of thing and its specifics. Facts that a new kind does not ask for are set aside, not lost. */
export const WhatSection = memo(function WhatSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const kinds = useKinds();
  const router = useRouter();
  const kind = kinds.get(thing.kind);
  const forms = useAttic((s) => s.forms);
  const [more, setMore] = useState<ReadonlySet<string>>(new Set());
  const asked = kinds.facts(thing.kind);
  const { shown, hidden } = arranged(asked, kind && formFor(kind, Object.values(forms)));
  const others = kinds.common.filter((f) => !asked.some((own) => own.id === f.id));
  const isOpen = (f: FactSpec) => thing.facts[f.id] !== undefined || more.has(f.id);
  // What is known is never out of sight, whatever the form says.
  const asking = [...shown, ...hidden.filter(isOpen), ...others.filter(isOpen)];
  const addable = [...hidden, ...others].filter((f) => !isOpen(f));
  const missing = asked.filter((f) => f.need === 'required' && !thing.facts[f.id]);
  return (
    <Section
      name="kind"
      title="What it is"
      summary={
        kind && missing.length > 0
          ? `${kind.name} · ${missing.length === 1 ? '1 answer' : `${missing.length} answers`} missing`
          : kind?.name
      }
    >
      <KindPicker thing={thing} />
      <FieldFindings examined={findings} field="kind" />
      <ReadingsAndLookUp thingId={thing.id} />
      {asking.map((spec) => (
        <View key={spec.id} style={{ gap: 6 }}>
          <FactField thingId={thing.id} spec={spec} value={thing.facts[spec.id] ?? ''} />
          {spec.id === 'sizeSystem' ? <SizeElsewhere thing={thing} /> : null}
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
              onPress={() => setMore(new Set([...more, f.id]))}
            >
              {f.label}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      <Aside thing={thing} />
      {kind ? (
        <Press kind="quiet" icon="add" onPress={() => router.navigate(`/kinds?at=${kind.id}`)}>
          Ask something else of this kind
        </Press>
      ) : null}
    </Section>
  );
});

function ReadingsAndLookUp({ thingId }: { thingId: string }) {
  const thing = useAttic((s) => s.things[thingId]);
  return (
    <>
      <Readings thingId={thingId} />
      {thing ? <LookUpLine thing={thing} /> : null}
    </>
  );
}

/** What was said of it when it was taken for another kind. */
function Aside({ thing }: { thing: Thing }) {
  const kinds = useKinds();
  const facts = Object.entries(thing.aside.facts);
  if (facts.length === 0) return null;
  return (
    <Words kind="small" tone="soft">
      {`Set aside, since this kind does not ask: ${facts
        .map(([id, value]) => `${kinds.factName(thing.kind, id).toLocaleLowerCase('en')} ${readable(value)}`)
        .join('; ')}. It comes back with a kind that does.`}
    </Words>
  );
}
