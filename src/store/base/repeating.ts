import { unlessExpected } from './faults';

/**
 * Does something again and again, one round at a time. What fails is tried at the next round; what nobody
 * expected is written down.
 *
 * @param doing in the words of the person: "reading messages"
 * @param first how long until the first round, milliseconds
 * @returns stops
 */
export function repeating(
  doing: string,
  work: () => Promise<unknown>,
  { first, every }: { first: number; every: number },
): () => void {
  let open = true;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const round = async () => {
    await work().catch(unlessExpected(doing));
    if (open) timer = setTimeout(() => void round(), every);
  };
  timer = setTimeout(() => void round(), first);
  return () => {
    open = false;
    clearTimeout(timer);
  };
}
