import { memo } from 'react';
import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { readable } from '@/core/kinds/values';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useKinds } from '@/store/kinds';
import type { Examined } from '@/store/sending';

import { Readings } from '../pictures/Readings';
import { FactField } from './FactField';
import { KindPicker } from './KindPicker';
import { FieldFindings, Section } from './Section';

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
  const asked = kinds.facts(thing.kind);
  const known = kinds.common.filter(
    (f) => thing.facts[f.id] !== undefined && !asked.some((own) => own.id === f.id),
  );
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
      <Readings thingId={thing.id} />
      {[...asked, ...known].map((spec) => (
        <View key={spec.id} style={{ gap: 6 }}>
          <FactField thingId={thing.id} spec={spec} value={thing.facts[spec.id] ?? ''} />
          <FieldFindings examined={findings} field={`fact:${spec.id}`} />
        </View>
      ))}
      <Aside thing={thing} />
      {kind ? (
        <Press kind="quiet" icon="add" onPress={() => router.navigate(`/kinds?at=${kind.id}`)}>
          Ask something else of this kind
        </Press>
      ) : null}
    </Section>
  );
});

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
