import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { FieldRule } from '@/contract/mapping';
import { mappingId } from '@/contract/mapping';
import type { RuleSheet, SheetSpecific } from '@/contract/ruleSheet';
import { categoryFor, type FoundCategory } from '@/core/mapping/categories';
import { mappingsFor } from '@/core/mapping/values';
import { CategoryFinder, pathOf } from '@/parts/trade/CategoryFinder';
import { FieldAnswer } from '@/parts/trade/FieldAnswer';
import { NoSuchMarket } from '@/parts/trade/NoSuchMarket';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { mapField, mapKind, mapValue } from '@/store/items/mappings';
import { categoryReason } from '@/wording/kinds';

/** How our kinds translate to one marketplace: whole branches at once, then what differs below. */
export function Mappings() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const kinds = useKinds();
  const [at, setAt] = useState<string | null>(null);
  if (!sheet) return <NoSuchMarket title="Kinds and categories" market={market} />;
  const here = at === null ? null : kinds.get(at);
  const children = kinds.children(at);
  return (
    <Page title={`Kinds on ${sheet.name}`} back="/connections">
      <Text tone="soft">
        What you choose for a branch holds for all below it. Where nothing is chosen, a category is suggested
        if its name fits; sending keeps it only where that is sure.
      </Text>
      {here ? (
        <Button variant="quiet" icon="back" onPress={() => setAt(here.path.at(-2) ?? null)}>
          {'Back to ' +
            `${
              here.path.length > 1 ? (kinds.get(here.path.at(-2) ?? '')?.name ?? 'all kinds') : 'all kinds'
            }`}
        </Button>
      ) : null}
      {here ? <OneKind key={here.id} kind={here.id} name={here.name} sheet={sheet} /> : null}
      {children.map((kind) => (
        <KindLine key={kind.id} kind={kind.id} name={kind.name} sheet={sheet} onOpen={() => setAt(kind.id)} />
      ))}
    </Page>
  );
}

function useCategoryWords(kind: string, sheet: RuleSheet): { words: string; why: string } {
  const kinds = useKinds();
  const mappings = useAttic((s) => s.mappings);
  return useMemo(() => {
    if (sheet.records) return { words: 'by its record', why: '' };
    const found = categoryFor(kind, kinds, sheet, Object.values(mappings));
    const category = found && sheet.categories.find((c) => c.id === found.id && c.leaf);
    if (found && !category)
      return { words: 'a category it no longer has: choose another', why: 'chosen before' };
    if (category && found) return { words: pathOf(sheet, category), why: sureWords(found) };
    const below = kinds
      .children(kind)
      .some((k) => categoryFor(k.id, kinds, sheet, Object.values(mappings)) !== null);
    return {
      words: below ? 'its kinds go to several' : 'nothing fits: choose one, or leave it out there',
      why: '',
    };
  }, [kind, kinds, mappings, sheet]);
}

function sureWords({ sureness, why }: FoundCategory): string {
  if (sureness === 'chosen') return 'chosen';
  return (
    `${
      sureness === 'sure'
        ? 'suggested, sure'
        : sureness === 'likely'
          ? 'suggested, not sure'
          : 'nothing nearer there'
    }: ` + `${categoryReason(why)}`
  );
}

function KindLine(props: { kind: string; name: string; sheet: RuleSheet; onOpen: () => void }) {
  const { kind, name, sheet, onOpen } = props;
  const { words, why } = useCategoryWords(kind, sheet);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 52 }}>
      <View style={{ flex: 1 }}>
        <Text variant="strong">{name}</Text>
        <Text variant="small" tone="soft">
          {[words, why].filter(Boolean).join('; ')}
        </Text>
      </View>
      <Button variant="quiet" label={`Decide for ${name}`} onPress={onOpen}>
        Decide
      </Button>
    </View>
  );
}

function OneKind({ kind, name, sheet }: { kind: string; name: string; sheet: RuleSheet }) {
  const kinds = useKinds();
  const mappings = useAttic((s) => s.mappings);
  const market = sheet.marketplace;
  const own = mappings[mappingId(market, kind)];
  const found = categoryFor(kind, kinds, sheet, Object.values(mappings));
  const category = sheet.categories.find((c) => c.id === found?.id && c.leaf);
  return (
    <Card label={name}>
      <Text variant="heading">{name}</Text>
      {sheet.records ? (
        <Text tone="soft">Items are listed against records there: the record says where they go.</Text>
      ) : (
        <CategoryFinder
          kind={kind}
          sheet={sheet}
          chosen={found?.id ?? null}
          onChoose={(id) => mapKind(market, kind, id)}
        />
      )}
      {own?.category ? (
        <Button variant="quiet" onPress={() => mapKind(market, kind, null)}>
          Leave it to the suggestions
        </Button>
      ) : null}
      {(category?.specifics ?? []).map((field) => (
        <FieldLine key={field.id} kind={kind} field={field} sheet={sheet} />
      ))}
    </Card>
  );
}

/** How one of their fields is filled. */
function FieldLine({ kind, field, sheet }: { kind: string; field: SheetSpecific; sheet: RuleSheet }) {
  const kinds = useKinds();
  const mappings = useAttic((s) => s.mappings);
  const [open, setOpen] = useState(false);
  const market = sheet.marketplace;
  const rules = mappingsFor(market, kind, kinds, Object.values(mappings));
  const rule = rules.map((m) => m.fields[field.id]).find(Boolean) ?? null;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text
          style={{ flex: 1 }}
        >{`${field.label}: ${ruleWords(rule, (id) => kinds.factName(kind, id))}`}</Text>
        <Button variant="quiet" label={`How ${field.label} is filled`} onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Change'}
        </Button>
      </View>
      {open ? <HowFilled kind={kind} field={field} market={market} rule={rule} /> : null}
      {mappingsWords(rules, field).map(([ours, theirs, at]) => (
        <View key={ours} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text variant="small" tone="soft" style={{ flex: 1 }}>{`“${ours}” is “${theirs}” there`}</Text>
          <Button
            variant="quiet"
            label={`Forget what “${ours}” is called for ${field.label}`}
            onPress={() => mapValue(market, at, field.id, ours, null)}
          >
            Forget
          </Button>
        </View>
      ))}
    </View>
  );
}

/** Where a field gets its answer from. */
function HowFilled(props: { kind: string; field: SheetSpecific; market: string; rule: FieldRule | null }) {
  const { kind, field, market, rule } = props;
  // Always the same: nothing is fixed before it was said what.
  const [fixing, setFixing] = useState(false);
  const facts = useKinds().get(kind)?.facts ?? [];
  const set = (next: FieldRule | null) => {
    setFixing(false);
    mapField(market, kind, field.id, next);
  };
  const always = fixing || rule?.from === 'fixed';
  const fixed = rule?.from === 'fixed' ? rule.value : '';
  return (
    <>
      <ChipRow label={`How ${field.label} is filled`}>
        <Chip on={rule === null && !fixing} onPress={() => set(null)}>
          From the same fact
        </Chip>
        <Chip
          on={rule?.from === 'fact'}
          onPress={() => set({ from: 'fact', fact: facts[0]?.id ?? field.id })}
        >
          From another
        </Chip>
        <Chip on={always} onPress={() => setFixing(true)}>
          Always the same
        </Chip>
        <Chip on={rule?.from === 'ask'} onPress={() => set({ from: 'ask' })}>
          Ask me each time
        </Chip>
      </ChipRow>
      {rule?.from === 'fact' ? (
        <ChipRow label={`Fact for ${field.label}`}>
          {facts.map((f) => (
            <Chip key={f.id} on={rule.fact === f.id} onPress={() => set({ from: 'fact', fact: f.id })}>
              {f.label}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {always ? (
        <FieldAnswer
          field={field}
          label={`Always for ${field.label}`}
          value={fixed}
          refuse={(t) => (t.trim() === '' && !field.choices ? 'Say what.' : null)}
          onChange={(change) => {
            const value = change(fixed);
            set(value === '' ? null : { from: 'fixed', value });
          }}
        />
      ) : null}
    </>
  );
}

function mappingsWords(
  rules: ReturnType<typeof mappingsFor>,
  field: SheetSpecific,
): [ours: string, theirs: string, kind: string][] {
  return rules.flatMap((m) =>
    Object.entries(m.values[field.id] ?? {}).map(([ours, theirs]): [string, string, string] => [
      ours,
      theirs,
      m.kind,
    ]),
  );
}

function ruleWords(rule: FieldRule | null, factName: (id: string) => string): string {
  if (rule === null) return 'from the same fact';
  switch (rule.from) {
    case 'fact':
      return `from ${factName(rule.fact).toLocaleLowerCase('en')}`;
    case 'fixed':
      return `always “${rule.value}”`;
    case 'ask':
      return 'asked each time';
  }
}
