import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';

import type { Interval } from '@/core/statistics/interval';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

/** One line: a value with the two it lies between, or why none is drawn. */
export interface Range {
  key: string;
  name: string;
  /** Null: too little is known. */
  interval: Interval | null;
  words: string;
}

const ROW = 22;
const FOOT = 20;
/** Room for half of the words at either end of the scale. */
const SIDE = 26;

/** Values one under the other on one scale, each as a point with a line from where to where it may lie. */
export function Ranges(props: { label: string; ranges: readonly Range[]; say: (value: number) => string }) {
  const { label, ranges, say } = props;
  const c = useColours();
  const [width, setWidth] = useState(320);
  const ends = ranges.flatMap(({ interval }) => (interval ? [interval.low, interval.high] : []));
  const x = scaleLinear([Math.min(0, ...ends), Math.max(...ends, 0.001)], [SIDE, width - SIDE]).nice(4);
  return (
    <View style={{ gap: 6 }} onLayout={(e) => setWidth(e.nativeEvent.layout.width)}>
      {ranges.map(({ key, name, interval, words }) => (
        <View key={key}>
          <View style={{ flexDirection: 'row', gap: 8, alignItems: 'baseline' }}>
            <Text variant="strong">{name}</Text>
            <Text variant="small" tone="soft" figures style={{ flex: 1, textAlign: 'right' }}>
              {words}
            </Text>
          </View>
          {interval ? (
            <Svg width="100%" height={ROW} viewBox={`0 0 ${width} ${ROW}`} aria-hidden>
              <Line x1={SIDE} x2={width - SIDE} y1={ROW / 2} y2={ROW / 2} stroke={c.line} />
              <Line
                x1={x(interval.low)}
                x2={x(interval.high)}
                y1={ROW / 2}
                y2={ROW / 2}
                stroke={c.moss}
                strokeWidth={5}
              />
              <Circle
                cx={x(interval.value)}
                cy={ROW / 2}
                r={6}
                fill={c.surface}
                stroke={c.moss}
                strokeWidth={3}
              />
            </Svg>
          ) : null}
        </View>
      ))}
      {ends.length > 0 ? (
        <View role="img" aria-label={`${label}: a drawing of ${ranges.length} lines on one scale`}>
          <Svg width="100%" height={FOOT} viewBox={`0 0 ${width} ${FOOT}`} aria-hidden>
            {x.ticks(4).map((tick) => (
              <G key={tick}>
                <Line x1={x(tick)} x2={x(tick)} y1={0} y2={4} stroke={c.soft} />
                <SvgText
                  x={x(tick)}
                  y={16}
                  fontSize={11}
                  fontFamily={FONT.text}
                  fill={c.soft}
                  textAnchor="middle"
                >
                  {say(tick)}
                </SvgText>
              </G>
            ))}
          </Svg>
        </View>
      ) : null}
    </View>
  );
}
