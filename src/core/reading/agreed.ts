import type { Suggestion } from './lines';

/** Figures that one reader alone saw count from this sureness on, 0 to 100. */
const SURE_ALONE = 97;

/**
 * What two readers make of the same picture, as one. Where both have the same it is as sure as the surer of
 * them; where they differ one is chosen and doubted; what only one has is doubted where it is a figure that
 * it was not quite sure of.
 *
 * @param page of the reader that knows print
 * @param line of the reader that knows hands as well
 */
export function agreed(page: readonly Suggestion[], line: readonly Suggestion[]): Suggestion[] {
  const found: Suggestion[] = [];
  for (const one of page) {
    const other = line.find((o) => o.field === one.field && (o.field !== 'flaw' || isSame(o, one)));
    found.push(other ? better(one, other) : alone(one));
  }
  for (const one of line)
    if (!found.some((f) => f.field === one.field && (f.field !== 'flaw' || isSame(f, one))))
      found.push(alone(one));
  return found;
}

function isSame(a: Suggestion, b: Suggestion): boolean {
  return plain(a.value) === plain(b.value);
}

const plain = (value: string) => value.toLocaleLowerCase('en').replace(/\s+/gu, ' ').trim();

function better(page: Suggestion, line: Suggestion): Suggestion {
  if (isSame(page, line)) {
    const [first, second] = page.confidence >= line.confidence ? [page, line] : [line, page];
    // What one made out without a doubt the other confirms.
    return { ...first, doubt: first.doubt && second.doubt };
  }
  // What is usual before what is not; else boards by the one, labels by the other.
  const isBoard = page.field.startsWith('measure:') || page.field === 'weight' || page.field === 'flaw';
  const isOneUsual = (page.doubt === undefined) !== (line.doubt === undefined);
  // Figures of codes by the other as well, unless it lost a part.
  const isCode = page.field === 'fact:styleCode' && !plain(page.value).includes(plain(line.value));
  const isPage = isOneUsual ? page.doubt === undefined : !isBoard && !isCode;
  const chosen = isPage ? page : line;
  return { ...chosen, doubt: chosen.doubt ?? 'readOtherwise' };
}

/** What the other did not make out: a figure, or a name that is in no list, may be read wrongly. */
function alone(one: Suggestion): Suggestion {
  const isOpen = /\d/u.test(one.value) ? (one.weakest ?? 0) < SURE_ALONE : one.field === 'fact:brand';
  return one.doubt || !isOpen ? one : { ...one, doubt: 'readOtherwise' };
}
