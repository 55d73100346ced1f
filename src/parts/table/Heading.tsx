import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

/** By which column a table is in order. */
export interface TableOrder {
  by: string;
  descending: boolean;
}

/** Narrower than this nothing can be read; pixels. */
const LEAST = 60;
const MOST = 900;
const STEP = 16;

/** What stands over a column: its name, which puts the table in order, and its edge, which makes it wider. */
export function Heading(props: {
  id: string;
  label: string;
  width: number;
  order: TableOrder | null;
  onOrder?: () => void;
  onWidth?: (width: number) => void;
}) {
  const { id, label, width, order, onOrder, onWidth } = props;
  const own = order?.by === id ? order : null;
  const way = own ? (own.descending ? 'descending' : 'ascending') : 'none';
  const c = useColours();
  const heading = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // The cell around it is the table's; what is said aloud of the order stands there.
    if (onOrder) heading.current?.closest('.dsg-cell')?.setAttribute('aria-sort', way);
  }, [way, onOrder]);
  return (
    <div ref={heading} className="attic-heading">
      {onOrder ? (
        <button
          type="button"
          tabIndex={-1}
          aria-label={`Put in order by ${label}`}
          title={label}
          onMouseDown={(event) => event.stopPropagation()}
          onClick={onOrder}
        >
          <span>{label}</span>
          {own ? <Icon name={own.descending ? 'down' : 'up'} size={14} colour={c.ink} /> : null}
        </button>
      ) : (
        <span style={{ alignSelf: 'center', flex: 1, padding: '0 8px' }}>{label}</span>
      )}
      {onWidth ? <Edge label={label} width={width} onWidth={onWidth} /> : null}
    </div>
  );
}

function Edge(props: { label: string; width: number; onWidth: (width: number) => void }) {
  const { label, width, onWidth } = props;
  const [from, setFrom] = useState<number | null>(null);
  const to = (next: number) => onWidth(Math.round(Math.min(MOST, Math.max(LEAST, next))));
  const begin = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    // As wide as it is drawn: that may be more than was asked for.
    setFrom(event.clientX - (event.currentTarget.closest('.dsg-cell')?.clientWidth ?? width));
  };
  const byKey = (event: KeyboardEvent) => {
    if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
    event.preventDefault();
    event.stopPropagation();
    to(width + (event.key === 'ArrowLeft' ? -STEP : STEP));
  };
  return (
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label={`Width of ${label}`}
      aria-valuenow={width}
      aria-valuemin={LEAST}
      aria-valuemax={MOST}
      tabIndex={0}
      data-dragged={from === null ? undefined : ''}
      // The table would take it for a cell.
      onMouseDown={(event) => event.stopPropagation()}
      onPointerDown={begin}
      onPointerMove={(event) => (from === null ? undefined : to(event.clientX - from))}
      onPointerUp={() => setFrom(null)}
      onPointerCancel={() => setFrom(null)}
      onKeyDown={byKey}
    />
  );
}
