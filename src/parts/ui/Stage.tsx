import { useRef, useState, type PointerEvent, type ReactNode } from 'react';

import type { Point } from '@/contract/picture';
import { useColours } from '@/theme/theme';

export interface StageProps {
  /** The picture's address; null while it is made. */
  address: string | null;
  alt: string;
  /** Width over height. */
  shape: number;
  /** How high it may get, in CSS: "56vh". */
  maxHeight: string;
  /** Drawn over the picture: an SVG of 1000 units wide, as high as the shape asks. */
  children?: ReactNode;
  onDown?: (at: Point, event: PointerEvent) => void;
  onMove?: (at: Point) => void;
  onUp?: () => void;
  /** Shows what is under the finger, enlarged: there is no seeing through a thumb. */
  lens?: Point | null;
}

export const UNITS = 1_000;

/** A picture with something drawn on it, worked on with a finger. Points are shares of the picture. */
export function Stage(props: StageProps) {
  const { address, alt, shape, maxHeight, children, onDown, onMove, onUp, lens } = props;
  const c = useColours();
  const frame = useRef<HTMLDivElement>(null);
  const [down, setDown] = useState(false);
  const at = (event: PointerEvent): Point => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || box.width === 0) return { x: 0, y: 0 };
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const end = () => {
    if (down) onUp?.();
    setDown(false);
  };
  return (
    <div style={{ display: 'flex', justifyContent: 'center', background: c.raised, borderRadius: 10 }}>
      <div
        ref={frame}
        data-stage
        style={{
          position: 'relative',
          aspectRatio: String(shape),
          width: '100%',
          maxHeight,
          maxWidth: `calc(${maxHeight} * ${shape})`,
          touchAction: onDown ? 'none' : 'auto',
          userSelect: 'none',
          overflow: 'hidden',
          borderRadius: 10,
        }}
        onPointerDown={(event) => {
          if (!onDown) return;
          event.currentTarget.setPointerCapture(event.pointerId);
          setDown(true);
          onDown(at(event), event);
        }}
        onPointerMove={(event) => down && onMove?.(at(event))}
        onPointerUp={end}
        onPointerCancel={end}
      >
        {address ? (
          <img
            src={address}
            alt={alt}
            draggable={false}
            style={{ width: '100%', height: '100%', display: 'block' }}
          />
        ) : null}
        {children ? (
          <svg
            viewBox={`0 0 ${UNITS} ${UNITS / shape}`}
            style={{ position: 'absolute', inset: 0, width: '100%', height: '100%', overflow: 'visible' }}
          >
            {children}
          </svg>
        ) : null}
        {lens && address ? <Lens address={address} at={lens} shape={shape} /> : null}
      </div>
    </div>
  );
}

const LENS = 116;
const ZOOM = 3.2;

function Lens({ address, at, shape }: { address: string; at: Point; shape: number }) {
  // In the corner away from the finger.
  const side = at.x < 0.5 ? { right: 8 } : { left: 8 };
  const width = 390 * ZOOM;
  const height = width / shape;
  return (
    <div
      aria-hidden
      style={{
        position: 'absolute',
        top: 8,
        ...side,
        width: LENS,
        height: LENS,
        borderRadius: LENS,
        border: '3px solid #fff',
        boxShadow: '0 1px 6px rgba(0,0,0,0.5)',
        backgroundColor: '#888',
        backgroundImage: `url(${address})`,
        backgroundRepeat: 'no-repeat',
        backgroundSize: `${width}px ${height}px`,
        backgroundPosition: `${LENS / 2 - at.x * width}px ${LENS / 2 - at.y * height}px`,
      }}
    >
      <svg viewBox="-58 -58 116 116" style={{ width: '100%', height: '100%' }}>
        <path d="M-14 0H14M0 -14V14" stroke="#fff" strokeWidth={4} />
        <path d="M-14 0H14M0 -14V14" stroke="#9C3527" strokeWidth={1.6} />
      </svg>
    </div>
  );
}
