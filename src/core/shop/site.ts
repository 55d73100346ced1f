import type { CourierItemView } from '@/contract/courier';

import { productOf } from './structured';
import { formatMoney, type Minor } from '../money/money';
import { escapeHtml } from '../words/html';

/** One item as the shop's pages show it. */
export interface ShopGood {
  /** Unique, and fit for a file name. */
  id: string;
  title: string;
  /** Clean markup: made by us, from plain text. */
  html: string;
  price: Minor;
  postage: Minor;
  brand: string;
  condition: { label: string; wear: number };
  section: { id: string; name: string };
  /** File names under `pictures/`, the first in front. */
  pictures: readonly string[];
  search: { title: string; description: string; keywords: readonly string[] };
  sold: boolean;
}

export interface Shop {
  name: string;
  currency: string;
  /** Where it will stand, as the person typed it; where it is no address, nothing is told that needs one. */
  address: string;
}

/**
 * The address under which the files will stand, ending in a slash; null where there is none, or none on the
 * web. What people paste along with it (a query, a mark, a file's name) is no part of it.
 */
export function shopRoot(address: string): string | null {
  const typed = address.trim();
  const url = urlOf(/^[a-z][a-z0-9+.-]*:/iu.test(typed) ? typed : `https://${typed}`);
  if (typed === '' || !url || !/^https?:$/u.test(url.protocol) || !url.hostname.includes('.')) return null;
  return `${url.origin}${url.pathname.replace(/[^/]*\.html?$/u, '').replace(/\/*$/u, '/')}`;
}

function urlOf(text: string): URL | null {
  try {
    return new URL(text);
  } catch {
    // What can't be read is no address: the files then tell none.
    return null;
  }
}

/**
 * Whether an item stands in the shop, or was bought there or elsewhere while it stood there; null: it is none
 * of its goods.
 */
export function inShop(view: CourierItemView | undefined, market: string): 'live' | 'sold' | null {
  const listing = view?.listings.find((l) => l.market === market);
  if (!view || !listing || listing.listedAt === null) return null;
  if (view.sale) return 'sold';
  return listing.want === 'live' && (listing.state === 'live' || listing.state === 'inReview')
    ? 'live'
    : null;
}

/** Goods shown beside one of the same section. */
const MOST_RELATED = 4;

/**
 * The seller's own shop as files that open from a disk: every page with what search engines want to know,
 * items of the same section beside each other, pictures that open large, a sitemap where the address is
 * known.
 *
 * @returns text by path; pictures are put under `pictures/` by whoever writes the files
 * @see https://schema.org/Product and https://schema.org/Offer for what is told of each item
 */
export function shopSite(shop: Shop, goods: readonly ShopGood[]): Record<string, string> {
  const sections = [...new Map(goods.map((g) => [g.section.id, g.section])).values()];
  const files: Record<string, string> = { 'style.css': STYLE };
  const name = shop.name || 'The shop';
  const root = shopRoot(shop.address);
  const nav = (up: string) =>
    `<header><a href="${up}index.html">${escapeHtml(name)}</a></header><nav>${sections
      .map((s) => `<a href="${up}section-${file(s.id)}.html">${escapeHtml(s.name)}</a>`)
      .join(' ')}</nav>`;
  const tile = (g: ShopGood, up: string) =>
    '<a class="tile" ' +
    `href="${up}item/${file(g.id)}.html">${
      g.pictures[0] ? `<img src="${up}pictures/${file(g.pictures[0])}" alt="" loading="lazy">` : ''
    }<span>${escapeHtml(g.title)}</span><b>${escapeHtml(
      g.sold ? 'sold' : formatMoney(g.price, shop.currency),
    )}</b></a>`;
  const shelf = (title: string, list: readonly ShopGood[]) =>
    page(
      title,
      '',
      '',
      `${nav('')}<main><h1>${escapeHtml(title)}</h1><div ` +
        `class="tiles">${list.map((g) => tile(g, '')).join('')}</div></main>`,
    );
  files['index.html'] = shelf(
    name,
    goods.filter((g) => !g.sold),
  );
  for (const section of sections)
    files[`section-${file(section.id)}.html`] = shelf(
      section.name,
      goods.filter((g) => g.section.id === section.id && !g.sold),
    );
  for (const good of goods) {
    const related = goods
      .filter((g) => g.id !== good.id && g.section.id === good.section.id && !g.sold)
      .slice(0, MOST_RELATED);
    const pictures = good.pictures
      .map(
        (p, i) =>
          `<a href="../pictures/${file(p)}"><img src="../pictures/${file(p)}" alt="Picture ` +
          `${i + 1} of ${good.pictures.length}"></a>`,
      )
      .join('');
    const head =
      `<meta name="description" content="${escapeHtml(good.search.description)}"><meta ` +
      `name="keywords" content="${escapeHtml(good.search.keywords.join(', '))}"><script ` +
      `type="application/ld+json">${jsonLd(shop, good, root)}</script>`;
    files[`item/${file(good.id)}.html`] = page(
      good.search.title || good.title,
      '../',
      head,
      `${nav('../')}<main><h1>${escapeHtml(good.title)}</h1><div class="strip">${pictures}</div><p ` +
        `class="price">${escapeHtml(good.sold ? 'Sold' : formatMoney(good.price, shop.currency))}</p>${
          good.sold ? '' : `<p>and ${escapeHtml(formatMoney(good.postage, shop.currency))} postage</p>`
        }<p>${escapeHtml(good.condition.label)}</p>${good.html}${
          related.length > 0
            ? `<h2>Beside it</h2><div class="tiles">${related.map((g) => tile(g, '../')).join('')}</div>`
            : ''
        }</main>`,
    );
  }
  if (root !== null) {
    const all = Object.keys(files).filter((path) => path.endsWith('.html'));
    files['sitemap.xml'] =
      '<?xml version="1.0" encoding="UTF-8"?>\n<urlset ' +
      `xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${all
        .map((path) => `<url><loc>${escapeHtml(root + path)}</loc></url>`)
        .join('')}</urlset>`;
    files['robots.txt'] = `User-agent: *\nAllow: /\nSitemap: ${root}sitemap.xml\n`;
  }
  return files;
}

/** Letters, figures, dots and hyphens only: it goes into addresses and file names. */
function file(name: string): string {
  return name.replace(/[^A-Za-z0-9._-]+/gu, '-');
}

function page(title: string, up: string, head: string, body: string): string {
  return (
    '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" ' +
    `content="width=device-width, initial-scale=1"><title>${escapeHtml(title)}</title>${head}<link ` +
    `rel="stylesheet" href="${up}style.css"></head><body>${body}</body></html>`
  );
}

/** What search engines are told of a page's item. */
function jsonLd(shop: Shop, good: ShopGood, root: string | null): string {
  const value = {
    '@context': 'https://schema.org',
    ...productOf({
      title: good.title,
      description: good.search.description,
      brand: good.brand,
      price: good.price,
      currency: shop.currency,
      wear: good.condition.wear,
      sold: good.sold,
      url: root === null ? null : `${root}item/${file(good.id)}.html`,
      // Search engines take addresses only; without one, the pages themselves still find their pictures.
      images: good.pictures.map((p) => `${root ?? '../'}pictures/${file(p)}`),
    }),
  };
  // What closes a script element must not stand in it.
  return JSON.stringify(value).replace(/</gu, '\\u003c');
}

const STYLE = `body{margin:0;font:17px/1.5 Georgia,serif;background:#faf6ec;color:#2a2018}
header{background:#7a4b1e;padding:14px 16px;font-size:22px}header a{color:#fff;text-decoration:none}
nav{padding:10px 16px}nav a{color:#7a4b1e;margin-right:14px}main{max-width:980px;margin:0 auto;padding:16px}
.tiles{display:grid;grid-template-columns:repeat(auto-fill,minmax(160px,1fr));gap:16px}
.tile{color:inherit;text-decoration:none;display:flex;flex-direction:column;gap:4px}
.tile img{width:100%;aspect-ratio:1;object-fit:cover;border-radius:6px}
.strip{display:flex;gap:8px;overflow-x:auto}.strip img{height:340px;border-radius:6px}.price{font-size:26px}`;
