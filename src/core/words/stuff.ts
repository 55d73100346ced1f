/** A stuff with less of it than this share is not what an item is called after, per cent. Common practice. */
const NAMED_FROM = 30;

/**
 * What an item is made of, as it is said in a title: of shares only the main ones, without their figures.
 * "85 % wool, 15 % nylon" is "wool".
 */
export function mainStuff(material: string): string {
  const shares = [...material.matchAll(/(\d+(?:[.,]\d+)?)\s*%\s*([^,;\d%]+)/gu)]
    .map(([, share, name]) => ({ share: Number((share ?? '').replace(',', '.')), name: (name ?? '').trim() }))
    .filter(({ name }) => name !== '')
    .sort((a, b) => b.share - a.share);
  const [first] = shares;
  if (!first) return material;
  const named = shares.filter(({ share }) => share >= NAMED_FROM).slice(0, 2);
  return (named.length > 0 ? named : [first]).map(({ name }) => name).join(' ');
}
