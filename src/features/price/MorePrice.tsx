import { useState } from 'react';
import { View } from 'react-native';

import type { MarkdownSteps, Item } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import type { Kind } from '@/core/kinds/spec';
import { floorHere } from '@/core/listing/effective';
import { formatAmount, formatMoney } from '@/core/money/money';
import { auctionTrouble, expectAuction, expectFixed, type Estimate } from '@/core/price/auction';
import { limitsTrouble, startHigh } from '@/core/price/floor';
import { markdownDays, planTrouble, USUAL_MARKDOWN } from '@/core/price/markdown';
import { MoneyField } from '@/parts/trade/MoneyField';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Calendar } from '@/parts/ui/Calendar';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { dayWords } from '@/parts/ui/time';
import { WholeField } from '@/parts/ui/WholeField';
import { setSettings, useAttic } from '@/store/attic/attic';
import { releaseHold, holdFor } from '@/store/fulfilment/holds';
import { comeDown, editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { auctionWords, limitsWords, markdownTrouble } from '@/wording/price';

import { useJudged } from './useJudged';

type Part = 'offers' | 'down' | 'auction';
const PARTS: readonly [Part, string][] = [
  ['offers', 'Offers'],
  ['down', 'Coming down'],
  ['auction', 'Auction or fixed'],
];

/** What else there is to say about a price; put away until it is asked for. */
export function MorePrice({ item }: { item: Item }) {
  const [part, setPart] = useState<Part | null>(null);
  const settings = useAttic((s) => s.settings);
  const floor = floorHere(item, useKinds(), settings);
  if (item.price === null) return null;
  return (
    <View style={{ gap: 8 }}>
      <ChipRow label="More about the price" radio={false}>
        {PARTS.map(([id, name]) => (
          <Chip key={id} role="button" on={part === id} onPress={() => setPart(part === id ? null : id)}>
            {name}
          </Chip>
        ))}
      </ChipRow>
      {part === 'offers' ? <Offers item={item} price={item.price} floor={floor} /> : null}
      {part === 'down' ? <ComingDown item={item} price={item.price} floor={floor} /> : null}
      {part === 'auction' ? <AuctionOrFixed item={item} price={item.price} floor={floor} /> : null}
    </View>
  );
}

interface PartProps {
  item: Item;
  price: number;
  floor: number | null;
}

/** Offers taken and refused by themselves; in between, the person is asked. */
function Offers({ item, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const limits = item.offers ?? { acceptFrom: null, refuseUnder: null };
  const set = (part: Partial<typeof limits>) => {
    const offers = { ...limits, ...part };
    editItem(item.id, 'offers', {
      offers: offers.acceptFrom === null && offers.refuseUnder === null ? null : offers,
    });
  };
  const trouble = limitsTrouble(price, { ...limits, floor });
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Accept from"
            value={limits.acceptFrom}
            currency={currency}
            onChange={(acceptFrom) => set({ acceptFrom })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Decline below"
            value={limits.refuseUnder}
            currency={currency}
            onChange={(refuseUnder) => set({ refuseUnder })}
          />
        </View>
      </View>
      {trouble ? <Notice tone="caution">{limitsWords(trouble)}</Notice> : null}
      <Text variant="small" tone="soft" figures>
        {'In between you are ' +
          `asked.${floor === null ? '' : ` Nothing under ${formatMoney(floor, currency)} is ever taken.`} ` +
          `On a local board, ${formatMoney(startHigh(price, currency), currency)} leaves room to ` +
          'come down.'}
      </Text>
    </View>
  );
}

/** The price comes down on its days, never under the floor. Kept for the kind, others begin with it. */
function ComingDown({ item, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const kept = useAttic((s) => s.settings.markdowns);
  const kinds = useKinds();
  const kind = kinds.get(item.kind);
  const steps = item.markdown?.steps ?? [];
  const put = (next: MarkdownSteps | null) => comeDown(item.id, next);
  if (!item.markdown) return <BeginComingDown kind={kind} put={put} />;
  const trouble = planTrouble({ steps });
  const days = trouble ? [] : markdownDays(price, { steps }, floor, item.markdown.from);
  return (
    <View style={{ gap: 6 }}>
      <Steps steps={steps} put={put} />
      {trouble ? <Notice tone="caution">{markdownTrouble(trouble)}</Notice> : null}
      <View role="list" aria-label="Markdown schedule">
        {days.map((d) => (
          <Text key={d.at} role="listitem" tone="soft" figures>
            {`${dayWords(d.at)}: ${formatMoney(d.price, currency)}${d.atFloor ? ', your floor' : ''}`}
          </Text>
        ))}
      </View>
      <Calendar
        label="The days on a calendar"
        from={item.markdown.from}
        marks={days.map((d) => ({
          at: d.at,
          words: formatAmount(d.price, currency),
          tone: d.atFloor ? 'trouble' : 'ink',
        }))}
      />
      <Held item={item} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button variant="quiet" onPress={() => put([...steps, stepAfter(steps)])}>
          One more step
        </Button>
        {kind && !trouble ? (
          <Button variant="quiet" onPress={() => setSettings({ markdowns: { ...kept, [kind.id]: steps } })}>
            {`Keep this for ${kind.name.toLocaleLowerCase('en')}`}
          </Button>
        ) : null}
        <Button variant="quiet" onPress={() => put(null)}>
          Let it stand still
        </Button>
      </View>
    </View>
  );
}

/** As its kind has come down before, or the usual way. */
function BeginComingDown({ kind, put }: { kind: Kind | undefined; put: (steps: MarkdownSteps) => void }) {
  const kept = useAttic((s) => s.settings.markdowns);
  const own = [...(kind?.path ?? [])]
    .reverse()
    .map((id) => kept[id])
    .find(Boolean);
  return (
    <Button onPress={() => put(own ?? [...USUAL_MARKDOWN.steps])}>
      {own
        ? `Let it come down as ${kind?.name.toLocaleLowerCase('en')} does`
        : 'Let the price come down by itself'}
    </Button>
  );
}

function stepAfter(steps: MarkdownSteps): MarkdownSteps[number] {
  const last = steps.reduce((a, b) => (b.day > a.day ? b : a), { day: 0, offBp: 0 });
  return { day: last.day + 28, offBp: Math.min(9_500, last.offBp + 1_000) };
}

function Steps({ steps, put }: { steps: MarkdownSteps; put: (steps: MarkdownSteps) => void }) {
  const change = (i: number, part: Partial<MarkdownSteps[number]>) =>
    put(steps.map((step, at) => (at === i ? { ...step, ...part } : step)));
  return (
    <>
      {steps.map((step, i) => (
        <View key={i} style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
          <View style={{ flex: 1 }}>
            <WholeField
              label={`Step ${i + 1}: days`}
              value={step.day}
              least={1}
              most={3_650}
              onChange={(day) => change(i, { day })}
            />
          </View>
          <View style={{ flex: 1 }}>
            <WholeField
              label={`Step ${i + 1}: off`}
              unit="%"
              value={Math.round(step.offBp / 100)}
              least={1}
              most={95}
              onChange={(off) => change(i, { offBp: off * 100 })}
            />
          </View>
          <Button
            variant="quiet"
            label={`Take step ${i + 1} away`}
            onPress={() => put(steps.filter((_, at) => at !== i))}
          >
            Away
          </Button>
        </View>
      ))}
    </>
  );
}

/** Promised to somebody, or an offer that waits: the price stands still meanwhile. */
function Held({ item }: { item: Item }) {
  const [who, setWho] = useState('');
  const { run } = useAsyncAction();
  const held = openHold(item);
  if (held)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text style={{ flex: 1 }} figures>
          {`Held for ${held.who || 'somebody'} since ${dayWords(held.from)}: the price stands still.`}
        </Text>
        <Button variant="quiet" onPress={() => run(() => releaseHold(item))}>
          No longer held
        </Button>
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Field label="Held for" value={who} pause={0} maxLength={120} onChange={setWho} />
      </View>
      <Button
        onPress={() => {
          run(() => holdFor(item, who.trim(), null, null));
          setWho('');
        }}
      >
        Hold its price
      </Button>
    </View>
  );
}

/** What an auction and a fixed price may be expected to bring, side by side. */
function AuctionOrFixed({ item, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const judged = useJudged(item.id);
  const [opening, setOpening] = useState<number>(floor ?? Math.round(price / 2));
  const [outright, setOutright] = useState<number | null>(price);
  const [again, setAgain] = useState(1);
  const plan = { opening, outright, days: 7, again, becomes: price };
  const history = judged.filter((j) => j.counts).map((j) => j.comp);
  const trouble = auctionTrouble(plan, floor);
  const say = (e: Estimate) =>
    `${Math.round(e.chance * 100)} in 100 that it sells, for about ` +
    `${formatMoney(e.price, currency)}: ${formatMoney(e.expected, currency)} to be expected`;
  const fixed = expectFixed(price, history);
  const auction = trouble ? null : expectAuction(plan, history);
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Opening price"
            value={opening}
            currency={currency}
            emptied="An auction opens somewhere."
            onChange={(n) => n !== null && setOpening(n)}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField label="Outright price" value={outright} currency={currency} onChange={setOutright} />
        </View>
        <View style={{ flex: 1 }}>
          <WholeField label="Relist, times" value={again} least={0} most={3} onChange={setAgain} />
        </View>
      </View>
      {trouble ? <Notice tone="caution">{auctionWords(trouble)}</Notice> : null}
      {fixed ? <Text figures>{`Fixed at ${formatMoney(price, currency)}: ${say(fixed)}.`}</Text> : null}
      {auction ? (
        <Text figures>{`Auction from ${formatMoney(opening, currency)}: ${say(auction)}.`}</Text>
      ) : null}
      <Text variant="small" tone="soft">
        {fixed || auction
          ? 'Estimates from what others sold for, before fees; the next buyer may know nothing of them.'
          : 'Too little is known of what others sold for: ask above.'}
      </Text>
    </View>
  );
}
