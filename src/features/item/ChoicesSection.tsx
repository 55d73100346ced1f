import { memo, useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';

import type { Item } from '@/contract/records';
import {
  leftOf,
  isAlike,
  priceRange,
  severalAlike,
  valuesIn,
  withOptions,
  withPiece,
  type Option,
} from '@/core/choices/choices';
import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useDraft, useHasDraft } from '@/store/attic/drafts';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';
import { typedTrouble } from '@/wording/typed';

import { AlikeFields } from './AlikeFields';
import { PieceLine } from './PieceLine';
import { ShownOfIt } from './ShownOfIt';

/**
 * How many there are of an item: one, several just alike, or variations, with what there is to choose, how
 * many of each, prices and pictures of their own.
 */
export const ChoicesSection = memo(function ChoicesSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const currency = useAttic((s) => s.settings.currency);
  const key = `choices:${item.id}`;
  const half = useHasDraft(key);
  const [opened, setBegun] = useState(false);
  const begun = opened || half;
  const { choices } = item;
  const range = choices && priceRange(choices, item.price);
  const sales = useCourier((s) => s.items[item.id]?.pieceSales);
  const summary = choices
    ? `${leftOf(choices, sales ?? [])} in stock${range ? ` · ${rangeWords(range, currency)}` : ''}`
    : undefined;
  return (
    <Section name="choices" title="How many" summary={summary}>
      {choices && isAlike(choices) && !begun ? (
        <>
          <AlikeFields item={item} findings={findings} onVary={() => setBegun(true)} />
          <FieldFindings examined={findings} field="choices" />
        </>
      ) : choices || begun ? (
        <>
          <Options draftKey={key} item={item} onKept={() => setBegun(false)} />
          {(choices && isAlike(choices) ? [] : (choices?.pieces ?? [])).map((piece) => (
            <PieceLine key={piece.values.join(' / ')} item={item} piece={piece} currency={currency} />
          ))}
          <Away item={item} />
          {choices ? <ShownOfIt item={item} ofEach /> : null}
          {choices ? (
            <Button
              variant="quiet"
              icon="remove"
              onPress={() => editItem(item.id, 'variations removed', { choices: null })}
            >
              One of a kind after all
            </Button>
          ) : null}
          <FieldFindings examined={findings} field="choices" />
        </>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
          <Text tone="soft" style={{ flexGrow: 1 }}>
            One of a kind.
          </Text>
          <Button
            variant="quiet"
            onPress={() =>
              editItem(item.id, 'how many', (t) => ({ choices: severalAlike(t.choices, 2, t.code) }))
            }
          >
            Several of it
          </Button>
          <Button variant="quiet" label="Sell it in variations" onPress={() => setBegun(true)}>
            Add variations
          </Button>
        </View>
      )}
    </Section>
  );
});

function rangeWords(range: { from: number; to: number }, currency: string): string {
  const from = formatMoney(range.from, currency);
  return range.from === range.to ? from : `${from} to ${formatMoney(range.to, currency)}`;
}

const Draft = z.object({ name: z.string(), values: z.string() });
type Draft = z.infer<typeof Draft>;
const Drafts = z.array(Draft).max(3).nullable();

/** What there is to choose: typed as lists, kept with a press, since it makes and unmakes pieces. */
function Options(props: { draftKey: string; item: Item; onKept: () => void }) {
  const { draftKey, item, onKept } = props;
  const stored = item.choices?.options ?? [];
  const asDraft = stored.map((o): Draft => ({ name: o.name, values: o.values.join(', ') }));
  const [draft, setDraft, clearDraft] = useDraft(draftKey, Drafts, null);
  const [why, setWhy] = useState<string | null>(null);
  const lines = draft ?? (asDraft.length > 0 ? asDraft : [{ name: '', values: '' }]);
  const put = (i: number, part: Partial<Draft>) => {
    setWhy(null);
    setDraft(lines.map((line, j) => (i === j ? { ...line, ...part } : line)));
  };
  const keep = () => {
    const options = lines
      .filter((l) => l.name.trim() !== '' || l.values.trim() !== '')
      .map((l): Option => ({ name: l.name, values: valuesIn(l.values) }));
    const done = withOptions(item.choices, options, item.code);
    if (!done.ok) return setWhy(typedTrouble(done.why));
    editItem(item.id, 'variations', { choices: done.choices });
    clearDraft();
    onKept();
  };
  return (
    <View style={{ gap: 8 }}>
      {lines.map((line, i) => (
        <View key={i} style={{ flexDirection: 'row', gap: 8 }}>
          <View style={{ flex: 2 }}>
            <Field
              label={`Option ${i + 1}`}
              value={line.name}
              maxLength={60}
              pause={0}
              placeholder="Piece"
              onChange={(name) => put(i, { name })}
            />
          </View>
          <View style={{ flex: 3 }}>
            <Field
              label={`Values ${i + 1}`}
              value={line.values}
              pause={0}
              placeholder="mug, plate, bowl"
              onChange={(values) => put(i, { values })}
              onEnter={keep}
            />
          </View>
          {lines.length > 1 ? (
            <SignButton
              icon="remove"
              label={`Remove option ${i + 1}`}
              onPress={() => setDraft(lines.filter((_, j) => j !== i))}
            />
          ) : null}
        </View>
      ))}
      {why ? <Notice tone="trouble">{`${why} What you typed is still here.`}</Notice> : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        {lines.length < 3 ? (
          <Button icon="add" onPress={() => setDraft([...lines, { name: '', values: '' }])}>
            Another option
          </Button>
        ) : null}
        {draft ? (
          <Button variant="main" style={{ flex: 1 }} onPress={keep}>
            Keep these variations
          </Button>
        ) : null}
      </View>
    </View>
  );
}

/** Combinations that were taken away, each brought back with a press. */
function Away({ item }: { item: Item }) {
  const { choices } = item;
  if (!choices || choices.away.length === 0) return null;
  return (
    <ChipRow label="Combinations taken away" radio={false}>
      {choices.away.map((values) => {
        const words = values.join(', ');
        return (
          <Chip
            key={words}
            role="button"
            on={false}
            label={`Bring back ${words}`}
            onPress={() =>
              editItem(item.id, `${words} brought back`, (t) =>
                t.choices ? { choices: withPiece(t.choices, values, t.code) } : null,
              )
            }
          >
            {`No ${words}: bring it back`}
          </Chip>
        );
      })}
    </ChipRow>
  );
}
