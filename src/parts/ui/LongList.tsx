import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState, type ReactNode, type RefObject } from 'react';

import { SPACE, useColours, useWide } from '@/theme/theme';

export interface LongListProps<T> {
  /** Name of the place, said aloud. */
  label: string;
  /** Part of a place only, not all of it. */
  role?: 'main' | 'region';
  items: readonly T[];
  keyOf: (item: T) => string;
  row: (item: T, index: number) => ReactNode;
  /** Height of every row, pixels: measuring each would be the dearest part of scrolling. */
  height: number;
  gap?: number;
  /** Above the list, scrolling along. */
  children: ReactNode;
  /** The list is a table: its name, and its head row. */
  table?: { label: string; head: ReactNode };
  maxWidth?: number;
}

/** A scrolling place with a list of any length: only what is in sight, and a little around it, is drawn. */
export function LongList<T>(props: LongListProps<T>) {
  const { items, keyOf, row, height, gap = 10, table } = props;
  const c = useColours();
  const wide = useWide();
  const scroller = useRef<HTMLDivElement>(null);
  const list = useRef<HTMLDivElement>(null);
  const above = useRef<HTMLDivElement>(null);
  const margin = useTopOf(list, above);
  // eslint-disable-next-line react-hooks/incompatible-library -- the list redraws itself when it scrolls
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => height,
    // Asked for as many as there are.
    getItemKey: (index) => keyOf(items[index]!),
    scrollMargin: margin,
    overscan: 4,
    gap,
  });
  const rows = (
    <div
      role={table ? 'rowgroup' : 'list'}
      style={{ position: 'relative', height: virtual.getTotalSize(), width: '100%' }}
    >
      {virtual.getVirtualItems().map((item) => (
        <div
          key={item.key}
          role={table ? 'presentation' : 'listitem'}
          style={{
            position: 'absolute',
            top: 0,
            left: 0,
            width: '100%',
            height,
            transform: `translateY(${item.start - margin}px)`,
          }}
        >
          {/* Asked for as many as there are. */}
          {row(items[item.index]!, item.index)}
        </div>
      ))}
    </div>
  );
  return (
    <div
      ref={scroller}
      role={props.role ?? 'main'}
      aria-label={props.label}
      tabIndex={0}
      style={{ flex: 1, overflowY: 'auto', background: c.ground, position: 'relative', minHeight: 0 }}
    >
      <div
        style={{
          boxSizing: 'border-box',
          width: '100%',
          maxWidth: wide ? props.maxWidth : undefined,
          padding: wide ? '28px 32px 40px' : `${SPACE.l}px ${SPACE.l}px 40px`,
        }}
      >
        <div
          ref={above}
          style={{ display: 'flex', flexDirection: 'column', gap: SPACE.m, paddingBottom: SPACE.m }}
        >
          {props.children}
        </div>
        <div ref={list}>
          {table ? (
            <div role="table" aria-label={table.label} aria-rowcount={items.length + 1}>
              {table.head}
              {rows}
            </div>
          ) : (
            rows
          )}
        </div>
      </div>
    </div>
  );
}

/** How far down something begins, pixels; it follows what stands above it. */
function useTopOf(what: RefObject<HTMLElement | null>, above: RefObject<HTMLElement | null>): number {
  const [top, setTop] = useState(0);
  useEffect(() => {
    const head = above.current;
    if (!head) return;
    const watch = new ResizeObserver(() => setTop(what.current?.offsetTop ?? 0));
    watch.observe(head);
    return () => watch.disconnect();
  }, [what, above]);
  return top;
}
