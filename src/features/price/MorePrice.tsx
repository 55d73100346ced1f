import { useState } from 'react';
import { View } from 'react-native';

import type { MarkdownSteps, Thing } from '@/contract/records';
import { floorHere } from '@/core/listing/effective';
import { formatAmount, formatMoney } from '@/core/money/money';
import { auctionTrouble, expectAuction, expectFixed, type Estimate } from '@/core/price/auction';
import { limitsTrouble, startHigh } from '@/core/price/floor';
import { markdownDays, planTrouble, USUAL_MARKDOWN } from '@/core/price/markdown';
import { Calendar } from '@/parts/Calendar';
import { Field } from '@/parts/Field';
import { MoneyField } from '@/parts/MoneyField';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { WholeField } from '@/parts/WholeField';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { openHold } from '@/core/holds/holds';
import { letGo, promise } from '@/store/desk/promises';
import { comeDown, editThing } from '@/store/things';

import { dayWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { useJudged } from './useJudged';

type Part = 'offers' | 'down' | 'auction';
const PARTS: readonly [Part, string][] = [
  ['offers', 'Offers'],
  ['down', 'Coming down'],
  ['auction', 'Auction or fixed'],
];

/** What else there is to say about a price; put away until it is asked for. */
export function MorePrice({ thing }: { thing: Thing }) {
  const [part, setPart] = useState<Part | null>(null);
  const settings = useAttic((s) => s.settings);
  const floor = floorHere(thing, useKinds(), settings);
  if (thing.price === null) return null;
  return (
    <View style={{ gap: 8 }}>
      <ChipRow label="More about the price" radio={false}>
        {PARTS.map(([id, name]) => (
          <Chip key={id} role="button" on={part === id} onPress={() => setPart(part === id ? null : id)}>
            {name}
          </Chip>
        ))}
      </ChipRow>
      {part === 'offers' ? <Offers thing={thing} price={thing.price} floor={floor} /> : null}
      {part === 'down' ? <ComingDown thing={thing} price={thing.price} floor={floor} /> : null}
      {part === 'auction' ? <AuctionOrFixed thing={thing} price={thing.price} floor={floor} /> : null}
    </View>
  );
}

interface PartProps {
  thing: Thing;
  price: number;
  floor: number | null;
}

/** Offers taken and refused by themselves; in between, the person is asked. */
function Offers({ thing, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const limits = thing.offers ?? { acceptFrom: null, refuseUnder: null };
  const set = (part: Partial<typeof limits>) => {
    const offers = { ...limits, ...part };
    editThing(thing.id, 'offers', {
      offers: offers.acceptFrom === null && offers.refuseUnder === null ? null : offers,
    });
  };
  const trouble = limitsTrouble(price, { ...limits, floor });
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Take from"
            value={limits.acceptFrom}
            currency={currency}
            onChange={(acceptFrom) => set({ acceptFrom })}
          />
        </View>
        <View style={{ flex: 1 }}>
          <MoneyField
            label="Refuse under"
            value={limits.refuseUnder}
            currency={currency}
            onChange={(refuseUnder) => set({ refuseUnder })}
          />
        </View>
      </View>
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
      <Words kind="small" tone="soft" figures>
        {`In between you are asked.${floor === null ? '' : ` Nothing under ${formatMoney(floor, currency)} is ever taken.`} On a local board, ${formatMoney(startHigh(price, currency), currency)} leaves room to come down.`}
      </Words>
    </View>
  );
}

/** The price comes down on its days, never under the floor. Kept for the kind, others begin with it. */
function ComingDown({ thing, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const kept = useAttic((s) => s.settings.markdowns);
  const kinds = useKinds();
  const kind = kinds.get(thing.kind);
  const steps = thing.markdown?.steps ?? [];
  const put = (next: MarkdownSteps | null) => comeDown(thing.id, next);
  if (!thing.markdown) {
    const own = [...(kind?.path ?? [])]
      .reverse()
      .map((id) => kept[id])
      .find(Boolean);
    return (
      <Press onPress={() => put(own ?? [...USUAL_MARKDOWN.steps])}>
        {own
          ? `Let it come down as ${kind?.name.toLocaleLowerCase('en')} does`
          : 'Let the price come down by itself'}
      </Press>
    );
  }
  const trouble = planTrouble({ steps });
  const days = trouble ? [] : markdownDays(price, { steps }, floor, thing.markdown.from);
  const change = (i: number, part: Partial<MarkdownSteps[number]>) =>
    put(steps.map((step, at) => (at === i ? { ...step, ...part } : step)));
  return (
    <View style={{ gap: 6 }}>
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
          <Press
            kind="quiet"
            label={`Take step ${i + 1} away`}
            onPress={() => put(steps.filter((_, at) => at !== i))}
          >
            Away
          </Press>
        </View>
      ))}
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
      <View role="list" aria-label="When the price comes down">
        {days.map((d) => (
          <Words key={d.at} role="listitem" tone="soft" figures>
            {`${dayWords(d.at)}: ${formatMoney(d.price, currency)}${d.atFloor ? ', your floor' : ''}`}
          </Words>
        ))}
      </View>
      <Calendar
        label="The days on a calendar"
        from={thing.markdown.from}
        marks={days.map((d) => ({
          at: d.at,
          words: formatAmount(d.price, currency),
          tone: d.atFloor ? 'trouble' : 'ink',
        }))}
      />
      <Held thing={thing} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Press
          kind="quiet"
          onPress={() => {
            const last = steps.reduce((a, b) => (b.day > a.day ? b : a), { day: 0, offBp: 0 });
            put([...steps, { day: last.day + 28, offBp: Math.min(9_500, last.offBp + 1_000) }]);
          }}
        >
          One more step
        </Press>
        {kind && !trouble ? (
          <Press kind="quiet" onPress={() => setSettings({ markdowns: { ...kept, [kind.id]: steps } })}>
            {`Keep this for ${kind.name.toLocaleLowerCase('en')}`}
          </Press>
        ) : null}
        <Press kind="quiet" onPress={() => put(null)}>
          Let it stand still
        </Press>
      </View>
    </View>
  );
}

/** Promised to somebody, or an offer that waits: the price stands still meanwhile. */
function Held({ thing }: { thing: Thing }) {
  const [who, setWho] = useState('');
  const { run } = useDo();
  const held = openHold(thing);
  if (held)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Words style={{ flex: 1 }} figures>
          {`Held for ${held.who || 'somebody'} since ${dayWords(held.from)}: the price stands still.`}
        </Words>
        <Press kind="quiet" onPress={() => run(() => letGo(thing))}>
          No longer held
        </Press>
      </View>
    );
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Field label="Held for" value={who} pause={0} maxLength={120} onChange={setWho} />
      </View>
      <Press
        onPress={() => {
          run(() => promise(thing, who.trim(), null, null));
          setWho('');
        }}
      >
        Hold its price
      </Press>
    </View>
  );
}

/** What an auction and a fixed price may be expected to bring, side by side. */
function AuctionOrFixed({ thing, price, floor }: PartProps) {
  const currency = useAttic((s) => s.settings.currency);
  const judged = useJudged(thing.id);
  const [opening, setOpening] = useState<number>(floor ?? Math.round(price / 2));
  const [outright, setOutright] = useState<number | null>(price);
  const [again, setAgain] = useState(1);
  const plan = { opening, outright, days: 7, again, becomes: price };
  const history = judged.filter((j) => j.counts).map((j) => j.comp);
  const trouble = auctionTrouble(plan, floor);
  const say = (e: Estimate) =>
    `${Math.round(e.chance * 100)} in 100 that it sells, for about ${formatMoney(e.price, currency)}: ${formatMoney(e.expected, currency)} to be expected`;
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
          <WholeField label="Put up again" value={again} least={0} most={3} onChange={setAgain} />
        </View>
      </View>
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
      {fixed ? <Words figures>{`Fixed at ${formatMoney(price, currency)}: ${say(fixed)}.`}</Words> : null}
      {auction ? (
        <Words figures>{`Auction from ${formatMoney(opening, currency)}: ${say(auction)}.`}</Words>
      ) : null}
      <Words kind="small" tone="soft">
        {fixed || auction
          ? 'Estimates from what others sold for, before fees; the next buyer may know nothing of them.'
          : 'Too little is known of what others sold for: ask above.'}
      </Words>
    </View>
  );
}
