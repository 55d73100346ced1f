import { View } from 'react-native';

import type { SignState } from '@/core/listing/signState';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

const FRAME = 'M4 37 V16 A12 12 0 0 1 28 16 V37 Z';

export interface ListingSignProps {
  state: SignState;
  /** Two letters under it. */
  letters: string;
  /** Said aloud: "Threadwick: live, €24.00". */
  label: string;
  /** Height of the drawing in pixels. */
  size?: number;
}

/**
 * Our sign for one listing: a small arched attic window. The shape and mark carry the meaning; the
 * colour only helps. Plain SVG elements: a list draws dozens of them in every frame of a fling.
 */
export function ListingSign({ state, letters, label, size = 34 }: ListingSignProps) {
  const c = useColours();
  const clip = `w-${state}`;
  const lit = ['live', 'held', 'changeRefused', 'sold', 'goingDown'].includes(state);
  const isBad = state === 'refused' || state === 'changeRefused';
  const quiet = state === 'notPlanned' || state === 'ended';
  return (
    <View role="img" aria-label={label} style={{ alignItems: 'center', width: size }}>
      <svg width={size * 0.8} height={size} viewBox="0 0 32 40" aria-hidden>
        <defs>
          <clipPath id={clip}>
            <path d={FRAME} />
          </clipPath>
        </defs>
        <path d={FRAME} fill={lit ? c.brass : c.surface} />
        <g clipPath={`url(#${clip})`}>
          <Pane state={state} />
        </g>
        {lit && state !== 'goingDown' ? (
          <g stroke={c.ink} strokeWidth={1.4} opacity={0.75}>
            <line x1={16} y1={5} x2={16} y2={37} />
            <line x1={4} y1={22} x2={28} y2={22} />
          </g>
        ) : null}
        {state === 'refused' ? (
          <path d="M9 8 L15 17 L11 21 L18 28 L14 37" fill="none" stroke={c.brick} strokeWidth={2.2} />
        ) : null}
        {isBad ? (
          <>
            <circle cx={25} cy={9} r={6.5} fill={c.brick} />
            <path d="M25 5.5 V10 M25 12 V12.8" stroke={c.surface} strokeWidth={1.9} />
          </>
        ) : null}
        <path d={FRAME} fill="none" stroke={isBad ? c.brick : quiet ? c.soft : c.ink} strokeWidth={2} />
        {state === 'sold' ? <Bow /> : null}
        {state === 'goingDown' ? (
          <path d="M16 22 V33 M11.5 28.5 L16 33 L20.5 28.5" stroke={c.ink} strokeWidth={2.2} fill="none" />
        ) : null}
        <line x1={2} y1={38.5} x2={30} y2={38.5} stroke={quiet ? c.soft : c.ink} strokeWidth={2} />
      </svg>
      <Text
        aria-hidden
        style={{
          fontFamily: FONT.strong,
          fontSize: Math.max(11, size * 0.34),
          lineHeight: size * 0.46,
          color: quiet ? c.soft : c.ink,
        }}
      >
        {letters}
      </Text>
    </View>
  );
}

/** What is seen through the window. */
function Pane({ state }: Pick<ListingSignProps, 'state'>) {
  const c = useColours();
  return (
    <>
      {state === 'draft' ? <rect x={4} y={22} width={24} height={16} fill={c.soft} opacity={0.55} /> : null}
      {state === 'onItsWay'
        ? [-10, -2, 6, 14, 22, 30].map((x) => (
            <line key={x} x1={x} y1={40} x2={x + 18} y2={2} stroke={c.slate} strokeWidth={2} />
          ))
        : null}
      {state === 'ended'
        ? [8, 13, 18, 23, 28, 33].map((y) => (
            <line key={y} x1={4} y1={y} x2={28} y2={y} stroke={c.soft} strokeWidth={2.4} />
          ))
        : null}
      {state === 'held' ? (
        <>
          <rect x={4} y={2} width={12} height={36} fill={c.surface} />
          {[8, 13, 18, 23, 28, 33].map((y) => (
            <line key={y} x1={4} y1={y} x2={15} y2={y} stroke={c.ink} strokeWidth={2.4} />
          ))}
        </>
      ) : null}
      {state === 'goingDown' ? (
        <>
          <rect x={4} y={2} width={24} height={17} fill={c.surface} />
          {[7, 12, 17].map((y) => (
            <line key={y} x1={4} y1={y} x2={28} y2={y} stroke={c.ink} strokeWidth={2.4} />
          ))}
        </>
      ) : null}
    </>
  );
}

/** Tied with a bow: sold. */
function Bow() {
  const c = useColours();
  return (
    <g fill={c.moss} stroke={c.surface} strokeWidth={0.8}>
      <path d="M16 24 C9 17 5 21 5 25 C5 29 10 30 16 25 Z" />
      <path d="M16 24 C23 17 27 21 27 25 C27 29 22 30 16 25 Z" />
      <path d="M15 25 L11 36 L16 31 L21 36 L17 25 Z" />
      <circle cx={16} cy={25} r={2.6} />
    </g>
  );
}
