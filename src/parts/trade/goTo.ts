/** The section of the sheet in which a field is put right. */
export function sectionOf(field: string): string {
  if (field.startsWith('fact:')) return 'kind';
  switch (field) {
    case 'title':
    case 'description':
      return 'words';
    case 'pictures':
    case 'kind':
    case 'condition':
    case 'choices':
    case 'price':
    case 'parcel':
      return field;
    default:
      return 'markets';
  }
}

export function sectionId(name: string): string {
  return `sheet-${name}`;
}

/** What a marketplace's card is gone to by. */
export function cardName(market: string): string {
  return `market-${market}`;
}

/** Says which section is to be opened and shown; or whether all are to be open. */
export const GO_TO = 'attic-go-to';

/** For how many frames a part is waited for that is still being drawn: about five seconds. */
const PATIENCE = 300;

/**
 * Takes the person to the section where a field is put right, unfolding it. What is further down may not be
 * drawn yet: it is gone to as soon as it is.
 *
 * @param market whose card is wanted, where that is in the marketplaces' section
 */
export function goTo(field: string, market?: string): void {
  const section = sectionOf(field);
  const name = market !== undefined && section === 'markets' ? cardName(market) : section;
  onceThere(section, () => {
    window.dispatchEvent(new CustomEvent(GO_TO, { detail: section }));
    if (name === section) show(name);
    else
      onceThere(name, () => {
        window.dispatchEvent(new CustomEvent(GO_TO, { detail: name }));
        show(name);
      });
  });
}

function onceThere(name: string, act: () => void, frames = PATIENCE): void {
  if (document.getElementById(sectionId(name))) act();
  else if (frames > 0) requestAnimationFrame(() => onceThere(name, act, frames - 1));
}

function show(name: string): void {
  const still = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  // After it has unfolded.
  requestAnimationFrame(() =>
    requestAnimationFrame(() =>
      document
        .getElementById(sectionId(name))
        ?.scrollIntoView({ block: 'start', behavior: still ? 'auto' : 'smooth' }),
    ),
  );
}
