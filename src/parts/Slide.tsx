import type { ReactNode } from 'react';

/** A row that is pushed sideways when it does not fit, as one does on a phone. */
export function Slide({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div
      role="group"
      aria-label={label}
      style={{ display: 'flex', gap: 8, overflowX: 'auto', padding: '2px 2px 6px', scrollbarWidth: 'thin' }}
    >
      {children}
    </div>
  );
}
