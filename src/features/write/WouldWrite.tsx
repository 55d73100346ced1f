import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import type { WriteLine, WritePlan, WriteWish } from '@/core/stock/write';
import { PictureView } from '@/parts/trade/PictureView';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Said } from '@/parts/ui/Said';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { applyWriting, planWriting } from '@/store/writing/writeMany';
import { useColours } from '@/theme/theme';
import { WHAT_WORDS, writeLeft, writeReason } from '@/wording/write';

/** So many are shown before "all of them". */
const FEW = 8;

/** Everything that would be written, each with its reason; what stays as it is, with why. */
export function WouldWrite(props: { list: readonly Item[]; wish: WriteWish; isAsked: boolean }) {
  const plans = usePlans(props);
  const { run, busy, trouble } = useAsyncAction();
  const [most, setMost] = useState(FEW);
  const [done, setDone] = useState<string | null>(null);
  const some = plans?.filter((p) => p.lines.length > 0) ?? [];
  const write = async () => {
    const n = await applyWriting(some);
    setDone(
      plural(
        n,
        'Written for one item. Undo takes it back.',
        `Written for ${n} items. Undo takes all of it back.`,
      ),
    );
  };
  return (
    <Card label="What would be written">
      <View role="status">
        <Text variant="heading" figures>
          {plans === null
            ? 'Thinking it through…'
            : plural(
                some.length,
                'Of one item',
                some.length === 0 ? 'Nothing to write' : `Of ${some.length} items`,
              )}
        </Text>
      </View>
      <Said words={done} />
      {some.slice(0, most).map((plan) => (
        <OfOne key={plan.id} plan={plan} />
      ))}
      {some.length > most ? (
        <Button variant="quiet" onPress={() => setMost(some.length)}>
          {`And ${some.length - most} more`}
        </Button>
      ) : null}
      <LeftAsIs plans={plans ?? []} />
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <Button variant="main" icon="write" disabled={some.length === 0 || busy} onPress={() => run(write)}>
        {busy ? 'Writing…' : plural(some.length, 'Write it', `Write for ${some.length} items`)}
      </Button>
    </Card>
  );
}

/** Thought through anew whenever something it rests on changes; null until it was once. */
function usePlans({ list, wish, isAsked }: Parameters<typeof WouldWrite>[0]): WritePlan[] | null {
  const plans = useAttic((s) => s.plans);
  const research = useAttic((s) => s.research);
  const settings = useAttic((s) => s.settings);
  const [known, setKnown] = useState<WritePlan[] | null>(null);
  useEffect(() => {
    let isNewest = true;
    void planWriting(
      list.map((t) => t.id),
      wish,
    )
      .then((made) => {
        if (isNewest) setKnown(made);
      })
      .catch(unlessExpected('thinking through what is to be written'));
    return () => {
      isNewest = false;
    };
  }, [list, wish, isAsked, plans, research, settings]);
  return known;
}

function OfOne({ plan }: { plan: WritePlan }) {
  const c = useColours();
  const item = useAttic((s) => s.items[plan.id]);
  if (!item) return null;
  return (
    <View
      role="group"
      aria-label={`Written of ${item.code}`}
      style={{ flexDirection: 'row', gap: 10, borderTopWidth: 1, borderColor: c.line, paddingTop: 8 }}
    >
      <PictureView id={item.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
      <View style={{ flex: 1, minWidth: 0, gap: 6 }}>
        <Text variant="small" tone="soft" figures>
          {item.code}
        </Text>
        {plan.lines.map((line) => (
          <Line key={line.what + line.market} line={line} />
        ))}
      </View>
    </View>
  );
}

function Line({ line }: { line: WriteLine }) {
  const currency = useAttic((s) => s.settings.currency);
  const say = (value: WriteLine['before']) =>
    value === null || value === '' ? '' : typeof value === 'number' ? formatMoney(value, currency) : value;
  const before = say(line.before);
  const where = line.market === '' ? '' : ` on ${line.market}`;
  return (
    <View>
      <Text variant="small" tone="soft">
        {`${WHAT_WORDS[line.what]}${where}: ${writeReason(line.why, currency, agoWords)}`}
      </Text>
      <Text numberOfLines={line.what === 'description' ? 3 : 2} figures>
        {say(line.after)}
      </Text>
      {before === '' || line.what === 'description' ? null : (
        <Text variant="small" tone="soft" numberOfLines={1} figures>{`instead of ${before}`}</Text>
      )}
    </View>
  );
}

/** What stays as it is, with why: the same of several once. */
function LeftAsIs({ plans }: { plans: readonly WritePlan[] }) {
  const reasons = new Map<string, number>();
  for (const { left } of plans)
    for (const { what, why } of left) {
      const words = `${WHAT_WORDS[what]}: ${writeLeft(why)}`;
      reasons.set(words, (reasons.get(words) ?? 0) + 1);
    }
  return (
    <>
      {[...reasons].map(([words, count]) => (
        <Text key={words} variant="small" tone="soft" figures>
          {`${count} left as ${plural(count, 'it is', 'they are')}. ${words}.`}
        </Text>
      ))}
    </>
  );
}
