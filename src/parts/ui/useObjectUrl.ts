import { useEffect, useState } from 'react';

/** An address at which bytes can be shown, for as long as they are; null before it is there. */
export function useObjectUrl(blob: Blob): string | null {
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    const made = URL.createObjectURL(blob);
    // Made outside of drawing, and given back when it goes.
    const timer = setTimeout(() => setAddress(made));
    return () => {
      clearTimeout(timer);
      URL.revokeObjectURL(made);
    };
  }, [blob]);
  return address;
}
