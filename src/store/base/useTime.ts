import { useEffect, useState } from 'react';

export const SECOND = 1_000;
export const MINUTE = 60_000;

/** The time, told again and again. @param every milliseconds */
export function useTime(every: number): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), every);
    return () => clearInterval(timer);
  }, [every]);
  return now;
}
