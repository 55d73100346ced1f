import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { COMMON_FACTS, factsOf, kindById, KINDS } from '@/core/kinds/kinds';
import { Field } from '@/parts/Field';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import type { Examined } from '@/store/sending';
import { editThing } from '@/store/things';

import { Readings } from '../pictures/Readings';
import { FieldFindings, Section } from './Section';

const GROUPS = [...new Set(KINDS.map((k) => k.group))];

/** Kind of thing and its specifics. Facts that a new kind does not ask for stay in the record. */
export function WhatSection({ thing, findings }: { thing: Thing; findings: readonly Examined[] }) {
  const kind = kindById(thing.kind);
  const [choosing, setChoosing] = useState(false);
  return (
    <Section name="kind" title="What it is" summary={kind?.name}>
      {kind && !choosing ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words kind="strong" style={{ flex: 1 }}>
            {kind.name}
          </Words>
          <Press kind="quiet" onPress={() => setChoosing(true)}>
            Another kind
          </Press>
        </View>
      ) : (
        GROUPS.map((group) => (
          <View key={group} style={{ gap: 5 }}>
            <Words kind="small" tone="soft">
              {group}
            </Words>
            <ChipRow label={group}>
              {KINDS.filter((k) => k.group === group).map((k) => (
                <Chip
                  key={k.id}
                  on={k.id === thing.kind}
                  onPress={() => {
                    editThing(thing.id, 'kind', { kind: k.id });
                    setChoosing(false);
                  }}
                >
                  {k.name}
                </Chip>
              ))}
            </ChipRow>
          </View>
        ))
      )}
      <FieldFindings examined={findings} field="kind" />
      <Readings thing={thing} />
      {[
        ...factsOf(thing.kind),
        ...COMMON_FACTS.filter(
          (f) => thing.facts[f.id] !== undefined && !factsOf(thing.kind).some((own) => own.id === f.id),
        ),
      ].map((fact) => (
        <View key={fact.id} style={{ gap: 6 }}>
          <Fact thing={thing} id={fact.id} label={fact.label} suggestions={fact.suggestions} />
          <FieldFindings examined={findings} field={`fact:${fact.id}`} />
        </View>
      ))}
    </Section>
  );
}

function Fact(props: { thing: Thing; id: string; label: string; suggestions?: readonly string[] }) {
  const { thing, id, label, suggestions } = props;
  const value = thing.facts[id] ?? '';
  const set = (text: string) =>
    editThing(thing.id, label.toLocaleLowerCase('en'), (t) => {
      const { [id]: _, ...others } = t.facts;
      return { facts: text.trim() === '' ? others : { ...others, [id]: text } };
    });
  // A tap saves typing; once there is a value the suggestions are out of the way.
  return (
    <View style={{ gap: 6 }}>
      <Field label={label} value={value} maxLength={400} onChange={set} />
      {suggestions && value === '' ? (
        <ChipRow label={`${label}: suggestions`} radio={false}>
          {suggestions.map((s) => (
            <Chip key={s} role="button" label={`${label}: ${s}`} on={false} onPress={() => set(s)}>
              {s}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
    </View>
  );
}
