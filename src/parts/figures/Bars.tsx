import { extent } from 'd3-array';
import { scaleBand, scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';

import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

/** One bar: what it stands for, how high it is, and how high it was the time before. */
export interface Bar {
  key: string;
  /** In words, for whoever asks: "3 March". */
  name: string;
  /** Under it, where there is room: "3". */
  short: string;
  value: number;
  before?: number | null;
}

const HEIGHT = 168;
const [HEAD, FOOT, SIDE] = [8, 20, 52];
/** The least room a name under a bar needs. */
const NAME = 26;

interface BarsProps {
  /** What is drawn, for whoever does not see it. */
  label: string;
  bars: readonly Bar[];
  say: (value: number) => string;
  /** What the line is: "the month before". */
  before?: string;
}

/**
 * Bars over the parts of a time, those below nothing hanging down; the time before as a line. A tap on one
 * tells it.
 */
export function Bars(props: BarsProps) {
  const { label, bars, say, before } = props;
  const [width, setWidth] = useState(320);
  const [told, setTold] = useState<string | null>(null);
  const one = bars.find((b) => b.key === told);
  return (
    <View>
      <Text variant="small" tone="soft" figures aria-live="polite">
        {one ? toldWords(one, say, before) : before ? `Bars: ${label}. Line: ${before}.` : label}
      </Text>
      <View
        role="img"
        aria-label={`${label}: a drawing of ${bars.length} bars`}
        onLayout={(e) => setWidth(e.nativeEvent.layout.width)}
      >
        <Drawing {...props} width={width} told={told} />
        <View style={OVER} aria-hidden>
          {bars.map((b) => (
            <Pressable
              key={b.key}
              // The table says the same to whoever goes by keys.
              tabIndex={-1}
              style={{ flex: 1 }}
              onPress={() => setTold(told === b.key ? null : b.key)}
            />
          ))}
        </View>
      </View>
    </View>
  );
}

const OVER = { position: 'absolute', left: SIDE, right: 0, top: 0, bottom: 0, flexDirection: 'row' } as const;

function Drawing({ bars, say, width, told }: BarsProps & { width: number; told: string | null }) {
  const c = useColours();
  const [low = 0, high = 0] = extent(bars.flatMap((b) => [b.value, b.before ?? 0]));
  const y = scaleLinear([Math.min(0, low), Math.max(high, low < 0 ? 0 : 1)], [HEIGHT - FOOT, HEAD]).nice(4);
  const x = scaleBand(
    bars.map((b) => b.key),
    [SIDE, width],
  ).padding(0.25);
  const middle = (b: Bar) => (x(b.key) ?? 0) + x.bandwidth() / 2;
  const was = bars.filter((b): b is Bar & { before: number } => typeof b.before === 'number');
  const path = line<Bar & { before: number }>(middle, (b) => y(b.before))(was);
  // Names under every bar where they have room, else under one of so many.
  const every = Math.max(1, Math.ceil(bars.length / Math.max(1, Math.floor((width - SIDE) / NAME))));
  const words = { fontSize: 11, fontFamily: FONT.text, fill: c.soft } as const;
  return (
    <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} aria-hidden>
      {y.ticks(4).map((tick) => (
        <G key={tick}>
          <Line x1={SIDE} x2={width} y1={y(tick)} y2={y(tick)} stroke={tick === 0 ? c.soft : c.line} />
          <SvgText {...words} x={SIDE - 6} y={y(tick) + 4} textAnchor="end">
            {say(tick)}
          </SvgText>
        </G>
      ))}
      {bars.map((b, i) => (
        <G key={b.key}>
          <Rect
            x={x(b.key) ?? 0}
            width={x.bandwidth()}
            y={Math.min(y(0), y(b.value))}
            height={Math.abs(y(b.value) - y(0))}
            fill={b.value < 0 ? c.brick : c.moss}
            opacity={told === null || told === b.key ? 1 : 0.5}
          />
          {i % every === 0 ? (
            <SvgText {...words} x={middle(b)} y={HEIGHT - 5} textAnchor="middle">
              {b.short}
            </SvgText>
          ) : null}
        </G>
      ))}
      {path ? (
        <Path d={path} stroke={c.brassInk} strokeWidth={1.5} strokeDasharray="3 3" fill="none" />
      ) : null}
    </Svg>
  );
}

function toldWords(bar: Bar, say: (value: number) => string, before: string | undefined): string {
  const was = typeof bar.before === 'number' && before ? `; ${before}: ${say(bar.before)}` : '';
  return `${bar.name}: ${say(bar.value)}${was}`;
}
