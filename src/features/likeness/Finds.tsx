import { useMemo, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import type { Find } from '@/contract/likeness';
import { counted } from '@/core/language/plural';
import { foundOften, kindsFound, type FoundOften } from '@/core/likeness/finds';
import { formatMoney } from '@/core/money/money';
import { BlobView, OutsidePicture } from '@/parts/trade/OutsidePicture';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { marketName } from '@/store/courier/courierLink';
import { useKinds } from '@/store/items/kinds';
import { useColours } from '@/theme/theme';

/** Looks shown before "more of them". */
const FEW = 4;
const OWN = { width: 92, height: 92 };
const ITS = { width: 68, height: 68 };

/** One's own picture beside what it may be: the kinds of what looks like it, or that nothing does. */
export function MayBe(props: {
  finds: readonly Find[];
  /** The picture that was looked for, as it was sent. */
  own: Blob;
  kind: string;
  onKind: (kind: string) => void;
}) {
  const { finds, own, kind, onKind } = props;
  const kinds = useKinds();
  const found = useMemo(() => kindsFound(finds, kinds), [finds, kinds]);
  if (finds.length === 0)
    return (
      <Beside own={own}>
        <Notice tone="info">
          Nothing like it was sold before, as far as the likeness desk knows. It may be rare; or try a picture
          of all of it, from the front, on a plain floor.
        </Notice>
      </Beside>
    );
  return (
    <Beside own={own}>
      <Text variant="strong">It may be</Text>
      <ChipRow label="What it may be">
        {found.map((one) => (
          <Chip key={one.kind} on={one.kind === kind} onPress={() => onKind(one.kind)}>
            {kinds.get(one.kind)?.name ?? one.kind}
          </Chip>
        ))}
      </ChipRow>
    </Beside>
  );
}

/** What looks like a picture, and what it went for where and when. @param doings what to do with one */
export function FindList(props: { finds: readonly Find[]; doings: (find: Find) => ReactNode }) {
  const { finds, doings } = props;
  const [most, setMost] = useState(FEW);
  const often = foundOften(finds);
  if (often.length === 0) return null;
  return (
    <>
      <View role="list" aria-label="The most alike first" style={{ gap: 8 }}>
        {often.slice(0, most).map((one) => (
          <Row key={one.first.id} one={one}>
            {doings(one.first)}
          </Row>
        ))}
      </View>
      {most < often.length ? (
        <Button variant="quiet" icon="unfold" onPress={() => setMost(most + 10)}>
          {`${often.length - most} more that look like it`}
        </Button>
      ) : null}
    </>
  );
}

function Beside({ own, children }: { own: Blob; children: ReactNode }) {
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
      <BlobView blob={own} size={OWN} alt="The picture that was looked for" />
      <View style={{ flex: 1, gap: 6 }}>{children}</View>
    </View>
  );
}

function Row({ one, children }: { one: FoundOften; children: ReactNode }) {
  const c = useColours();
  const { first, times, low, high, last, markets } = one;
  const say = (amount: number) => formatMoney(amount, first.price.currency);
  return (
    <View
      role="listitem"
      style={{
        flexDirection: 'row',
        gap: 10,
        alignItems: 'flex-start',
        borderTopWidth: 1,
        borderColor: c.line,
        paddingTop: 8,
      }}
    >
      <OutsidePicture of="likeness" name={first.picture} size={ITS} />
      <View style={{ flex: 1, gap: 2, alignItems: 'flex-start' }}>
        <Text numberOfLines={2}>{first.title}</Text>
        <Text variant="small" tone="soft" figures>
          {[
            times === 1
              ? `sold for ${say(low)}`
              : `sold ${counted(times, 'time')}, ${say(low)} to ${say(high)}`,
            markets.map((market) => marketName(market)).join(', '),
            times === 1 ? agoWords(last) : `last ${agoWords(last)}`,
            `${Math.round(first.score)} % alike`,
          ].join(' · ')}
        </Text>
        {children}
      </View>
    </View>
  );
}
