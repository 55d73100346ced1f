import { View } from 'react-native';
import Svg, { Line, Rect, Text as SvgText } from 'react-native-svg';

import { formatMoney } from '@/core/money/money';
import { histogram, type CompsSummary } from '@/core/price/comps';
import { FONT, useColours } from '@/theme/theme';

const WIDTH = 320;
const HEIGHT = 96;
const FOOT = 18;
const BINS = 16;

/**
 * What was paid, drawn: how often each price, the middle half shaded, and where this item's price stands.
 */
export function Distribution(props: {
  prices: readonly number[];
  summary: CompsSummary;
  price: number | null;
  currency: string;
}) {
  const { prices, summary, price, currency } = props;
  const c = useColours();
  const all = price === null ? prices : [...prices, price];
  const least = Math.min(...all);
  const most = Math.max(...all, least + 1);
  const x = (amount: number) => 6 + ((amount - least) / (most - least)) * (WIDTH - 12);
  const bins = histogram(prices, BINS);
  const highest = Math.max(1, ...bins.map((b) => b.count));
  const { low, high } = summary;
  const say = (amount: number) => formatMoney(Math.round(amount), currency);
  return (
    <View
      role="img"
      aria-label={
        `${prices.length} prices from ${say(Math.min(...prices))} to ` +
        `${say(Math.max(...prices))}${price === null ? '' : `; yours is ${say(price)}`}`
      }
    >
      <Svg width="100%" height={HEIGHT + FOOT} viewBox={`0 0 ${WIDTH} ${HEIGHT + FOOT}`} aria-hidden>
        {low !== null && high !== null ? (
          <Rect x={x(low)} y={0} width={Math.max(2, x(high) - x(low))} height={HEIGHT} fill={c.mossTint} />
        ) : null}
        {bins.map((bin) => (
          <Rect
            key={bin.from}
            x={x(bin.from) + 0.5}
            width={Math.max(2, x(bin.to) - x(bin.from) - 1)}
            y={HEIGHT - (bin.count / highest) * (HEIGHT - 14)}
            height={(bin.count / highest) * (HEIGHT - 14)}
            fill={c.moss}
          />
        ))}
        <Line x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} stroke={c.soft} strokeWidth={1} />
        {price === null ? null : (
          <>
            <Line
              x1={x(price)}
              x2={x(price)}
              y1={2}
              y2={HEIGHT}
              stroke={c.ink}
              strokeWidth={2}
              strokeDasharray="4 3"
            />
            <SvgText
              x={Math.min(WIDTH - 30, Math.max(30, x(price)))}
              y={HEIGHT + 14}
              fontSize={12}
              fontFamily={FONT.strong}
              fill={c.ink}
              textAnchor="middle"
            >
              {`yours ${say(price)}`}
            </SvgText>
          </>
        )}
      </Svg>
    </View>
  );
}
