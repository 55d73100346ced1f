import type { ReactNode } from 'react';

import { useWide } from '@/theme/theme';

/** A row that is pushed sideways when it does not fit, as one does on a phone; on a wide screen it breaks. */
export function Slide({ label, children }: { label: string; children: ReactNode }) {
  const wide = useWide();
  return (
    <div
      role="group"
      aria-label={label}
      style={{
        display: 'flex',
        flexWrap: wide ? 'wrap' : 'nowrap',
        gap: 8,
        overflowX: 'auto',
        padding: '2px 2px 6px',
        scrollbarWidth: 'thin',
      }}
    >
      {children}
    </div>
  );
}
