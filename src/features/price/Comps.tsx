import { useState } from 'react';
import { View } from 'react-native';

import type { Item, Research } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { compKey, summarise, type JudgedComp } from '@/core/price/comps';
import { promotionAdvice } from '@/core/price/profit';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';
import { askComps, judgeByHand, leaveOutWords, questionOf } from '@/store/research/research';
import { compReason, promotionReason, surenessWords } from '@/wording/price';

import { Distribution } from './Distribution';
import { useJudged } from './useJudged';

/** Records shown before "all of them". */
const FEW = 6;

/** Sold comparables: asked on a press, kept with its day, judged like for like. */
export function Comps({ item }: { item: Item }) {
  const research = useAttic((s) => s.research[item.id]);
  const judged = useJudged(item.id);
  const { run, busy, trouble } = useAsyncAction();
  return (
    <View role="group" aria-label="Sold comparables" style={{ gap: 8 }}>
      <Button icon="search" disabled={busy} onPress={() => run(() => askComps(questionOf(item)))}>
        {busy
          ? 'Asking the marketplaces…'
          : research
            ? 'Ask again what others sold for'
            : 'What did others sell for?'}
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      {research ? <Found item={item} judged={judged} /> : null}
    </View>
  );
}

function Found({ item, judged }: { item: Item; judged: readonly JudgedComp[] }) {
  const research = useAttic((s) => s.research[item.id]);
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
      <Text
        figures
      >{`${surenessWords(summary)} Asked ${agoWords(research.at)}${basisWords(research)}.`}</Text>
      {typical !== null && low !== null && high !== null ? (
        <>
          <Distribution prices={prices} summary={summary} price={item.price} currency={currency} />
          <Text tone="soft" figures>
            {[
              sellThrough === null ? '' : `${Math.round(sellThrough * 100)} % of those offered sold`,
              daysToSell === null
                ? ''
                : `half of them within ${plural(daysToSell, 'a day', `${daysToSell} days`)}`,
            ]
              .filter(Boolean)
              .join(', ')}
            .
          </Text>
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
                on={item.price === amount}
                label={`Price it ${say(amount)}: ${name.toLocaleLowerCase('en')}`}
                onPress={() => editItem(item.id, 'price', { price: amount })}
              >
                {`${name} ${say(amount)}`}
              </Chip>
            ))}
          </ChipRow>
        </>
      ) : null}
      {summary.sold > 0 || research.brand !== '' ? (
        <Text variant="small" tone="soft" figures>
          {`Paid promotion: ${advice.bp === 0 ? 'none' : `${advice.bp / 100} %`}. ` +
            `${promotionReason(advice.why)}`}
        </Text>
      ) : null}
      <Field
        label="Leave out titles that say"
        value={research.leftOut.join(', ')}
        placeholder="bundle, for parts"
        onChange={(text) => leaveOutWords(item.id, text.split(','))}
      />
      {judged.length > 0 ? (
        <Button variant="quiet" onPress={() => setListed(!listed)}>
          {listed ? 'Put the records away' : `Look at the ${judged.length} records`}
        </Button>
      ) : null}
      {listed ? <Records id={item.id} judged={judged} nameOf={nameOf} currency={currency} /> : null}
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
            <Text numberOfLines={2} tone={counts ? 'ink' : 'soft'}>
              {comp.title}
            </Text>
            <Text variant="small" tone="soft" figures>
              {[
                `${comp.sold ? 'sold for' : 'unsold at'} ${formatMoney(comp.price, currency)}`,
                nameOf(comp.market),
                agoWords(comp.endedAt),
                comp.alike !== undefined && `looks like it, ${Math.round(comp.alike)} %`,
                why && compReason(why),
              ]
                .filter(Boolean)
                .join(' · ')}
            </Text>
          </View>
          <Button
            variant="quiet"
            label={`${counts ? 'Drop' : 'Keep'} ${comp.title}, ${formatMoney(comp.price, currency)}`}
            onPress={() => judgeByHand(id, comp, byHand[compKey(comp)] ? null : counts ? 'drop' : 'keep')}
          >
            {byHand[compKey(comp)] ? 'Let the rules say' : counts ? 'Drop' : 'Keep'}
          </Button>
        </View>
      ))}
      {most < judged.length ? (
        <Button variant="quiet" onPress={() => setMost(most + 30)}>
          More of them
        </Button>
      ) : null}
    </View>
  );
}

/** What was asked for, and how many were found by their look instead. */
function basisWords({ words, comps }: Pick<Research, 'words' | 'comps'>): string {
  const alike = comps.filter((comp) => comp.alike !== undefined).length;
  return [
    words === '' ? '' : `, for “${words}”`,
    alike === 0 ? '' : `, with ${plural(alike, 'one', `${alike}`)} found by the picture`,
  ].join('');
}

function leastPromotion(sheets: ReturnType<typeof useCourier.getState>['sheets']): number {
  const least = sheets.flatMap((s) => s.fees.rules.flatMap((r) => (r.type === 'promotion' ? [r.minBp] : [])));
  return least.length === 0 ? 0 : Math.min(...least);
}
