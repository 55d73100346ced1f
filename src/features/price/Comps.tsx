import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import { compKey, summarise, type JudgedComp } from '@/core/price/comps';
import { promotionAdvice } from '@/core/price/profit';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { askComps, judgeByHand, leaveOutWords, questionOf } from '@/store/research';
import { editThing } from '@/store/things';

import { agoWords } from '../shell/time';
import { useDo } from '../shell/useDo';
import { Distribution } from './Distribution';
import { useJudged } from './useJudged';

/** Records shown before "all of them". */
const FEW = 6;

/** What others sold for: asked on a press, kept with its day, judged like for like. */
export function Comps({ thing }: { thing: Thing }) {
  const research = useAttic((s) => s.research[thing.id]);
  const judged = useJudged(thing.id);
  const { run, busy, trouble } = useDo();
  return (
    <View role="group" aria-label="What others sold for" style={{ gap: 8 }}>
      <Press icon="search" disabled={busy} onPress={() => run(() => askComps(questionOf(thing)))}>
        {busy
          ? 'Asking the marketplaces…'
          : research
            ? 'Ask again what others sold for'
            : 'What did others sell for?'}
      </Press>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {research ? <Found thing={thing} judged={judged} /> : null}
    </View>
  );
}

function Found({ thing, judged }: { thing: Thing; judged: readonly JudgedComp[] }) {
  const research = useAttic((s) => s.research[thing.id]);
  const currency = useAttic((s) => s.settings.currency);
  const sheets = useCourier((s) => s.sheets);
  const [listed, setListed] = useState(false);
  if (!research) return null;
  const summary = summarise(judged);
  const prices = judged.filter((j) => j.counts && j.comp.sold).map((j) => j.comp.price);
  const { low, typical, high, sellThrough, daysToSell } = summary;
  const say = (amount: number) => formatMoney(amount, currency);
  const advice = promotionAdvice(summary.sold, sellThrough, leastPromotion(sheets));
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  return (
    <>
      {research.missing.map((m) => (
        <Notice key={m.market} tone="caution">
          {`${nameOf(m.market)} could not be asked: ${m.why} What it said before still counts.`}
        </Notice>
      ))}
      <Words figures>{`${summary.words} Asked ${agoWords(research.at)}, for “${research.words}”.`}</Words>
      {typical !== null && low !== null && high !== null ? (
        <>
          <Distribution prices={prices} summary={summary} price={thing.price} currency={currency} />
          <Words tone="soft" figures>
            {[
              sellThrough === null ? '' : `${Math.round(sellThrough * 100)} % of those offered sold`,
              daysToSell === null
                ? ''
                : `half of them within ${daysToSell === 1 ? 'a day' : `${daysToSell} days`}`,
            ]
              .filter(Boolean)
              .join(', ')}
            .
          </Words>
          <ChipRow label="Take one of these prices">
            {(
              [
                ['Low', low],
                ['Typical', typical],
                ['High', high],
              ] as const
            ).map(([name, amount]) => (
              <Chip
                key={name}
                on={thing.price === amount}
                label={`Price it ${say(amount)}: ${name.toLocaleLowerCase('en')}`}
                onPress={() => editThing(thing.id, 'price', { price: amount })}
              >
                {`${name} ${say(amount)}`}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {summary.sold > 0 || research.brand !== '' ? (
        <Words kind="small" tone="soft" figures>
          {`Paid promotion: ${advice.bp === 0 ? 'none' : `${advice.bp / 100} %`}. ${advice.why}`}
        </Words>
      ) : null}
      <Field
        label="Leave out titles that say"
        value={research.leftOut.join(', ')}
        placeholder="bundle, for parts"
        onChange={(text) => leaveOutWords(thing.id, text.split(','))}
      />
      {judged.length > 0 ? (
        <Press kind="quiet" onPress={() => setListed(!listed)}>
          {listed ? 'Put the records away' : `Look at the ${judged.length} records`}
        </Press>
      ) : null}
      {listed ? <Records id={thing.id} judged={judged} nameOf={nameOf} currency={currency} /> : null}
    </>
  );
}

function Records(props: {
  id: string;
  judged: readonly JudgedComp[];
  nameOf: (market: string) => string;
  currency: string;
}) {
  const { id, judged, nameOf, currency } = props;
  const [most, setMost] = useState(FEW);
  const byHand = useAttic((s) => s.research[id]?.byHand) ?? {};
  // What a person decided stays in sight, first of all.
  const rank = ({ comp, counts }: JudgedComp) => (byHand[compKey(comp)] ? 0 : counts ? 1 : 2);
  const sorted = [...judged].sort((a, b) => rank(a) - rank(b) || b.comp.endedAt - a.comp.endedAt);
  return (
    <View role="list" aria-label="Records" style={{ gap: 8 }}>
      {sorted.slice(0, most).map(({ comp, counts, why }) => (
        <View
          key={compKey(comp)}
          role="listitem"
          style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
        >
          <View style={{ flex: 1 }}>
            <Words numberOfLines={2} tone={counts ? 'ink' : 'soft'}>
              {comp.title}
            </Words>
            <Words kind="small" tone="soft" figures>
              {[
                `${comp.sold ? 'sold for' : 'unsold at'} ${formatMoney(comp.price, currency)}`,
                nameOf(comp.market),
                agoWords(comp.endedAt),
                why,
              ]
                .filter(Boolean)
                .join(' · ')}
            </Words>
          </View>
          <Press
            kind="quiet"
            label={`${counts ? 'Drop' : 'Keep'} ${comp.title}, ${formatMoney(comp.price, currency)}`}
            onPress={() => judgeByHand(id, comp, byHand[compKey(comp)] ? null : counts ? 'drop' : 'keep')}
          >
            {byHand[compKey(comp)] ? 'Let the rules say' : counts ? 'Drop' : 'Keep'}
          </Press>
        </View>
      ))}
      {most < judged.length ? (
        <Press kind="quiet" onPress={() => setMost(most + 30)}>
          More of them
        </Press>
      ) : null}
    </View>
  );
}

function leastPromotion(sheets: ReturnType<typeof useCourier.getState>['sheets']): number {
  const least = sheets.flatMap((s) => s.fees.rules.flatMap((r) => (r.kind === 'promotion' ? [r.minBp] : [])));
  return least.length === 0 ? 0 : Math.min(...least);
}
