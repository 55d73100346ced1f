import type { CourierListingView, CourierItemView } from '@/contract/courier';

import { inShop, shopRoot, shopSite, type ShopGood } from './site';
import { itemCondition } from './structured';

const good = (id: string, part: Partial<ShopGood> = {}): ShopGood => ({
  id,
  title: `Gansey ${id}`,
  html: '<p>Navy wool.</p>',
  price: 4_800,
  postage: 420,
  brand: 'Kittiwake Mills',
  condition: { label: 'Good', wear: 2 },
  section: { id: 'shop', name: 'In the shop' },
  pictures: [`${id}-1.jpg`, `${id}-2.jpg`],
  search: {
    title: `Gansey ${id} | Yonder`,
    description: 'A gansey of navy wool.',
    keywords: ['gansey', 'wool'],
  },
  sold: false,
  ...part,
});
const shop = { name: 'Yonder & Sons', currency: 'EUR', address: '' };
const ld = (html: string) =>
  JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/su.exec(html)![1]!) as Record<string, any>;

describe('the shop as files', () => {
  const site = shopSite(shop, [good('a'), good('b'), good('c', { sold: true })]);

  it('has a page for each item, its section and the whole, and every link leads to a file', () => {
    const pages = Object.keys(site).filter((p) => p.endsWith('.html'));
    expect(pages.sort()).toEqual([
      'index.html',
      'item/a.html',
      'item/b.html',
      'item/c.html',
      'section-shop.html',
    ]);
    for (const path of pages)
      for (const [, link = ''] of site[path]!.matchAll(/href="([^"]+\.(?:html|css))"/gu)) {
        const to = new URL(link, `file:///${path}`).pathname.slice(1);
        expect([path, link, to in site]).toEqual([path, link, true]);
      }
  });
  // schema.org: Product, Offer, itemCondition, availability.
  it('tells search engines what it is, what it costs and whether it can be had', () => {
    expect(ld(site['item/a.html']!)).toMatchObject({
      '@context': 'https://schema.org',
      '@type': 'Product',
      name: 'Gansey a',
      offers: {
        '@type': 'Offer',
        price: '48.00',
        priceCurrency: 'EUR',
        availability: 'https://schema.org/InStock',
        itemCondition: 'https://schema.org/UsedCondition',
      },
    });
    expect(ld(site['item/c.html']!).offers.availability).toBe('https://schema.org/SoldOut');
    expect([0, 1, 4, 5].map(itemCondition)).toEqual([
      'NewCondition',
      'UsedCondition',
      'UsedCondition',
      'DamagedCondition',
    ]);
  });
  it('shows what is sold on its own page only, and related items of the same section', () => {
    expect(site['index.html']).not.toContain('item/c.html');
    expect(site['item/a.html']).toMatch(/<h2>Beside it<\/h2>.*item\/b\.html/su);
    expect(site['item/a.html']).not.toContain('item/c.html"');
  });
  it('lets nothing out of its words', () => {
    const evil = '</script><script>alert(1)</script>"><img src=x onerror=alert(1)>';
    const page = shopSite(shop, [
      good('x', { title: evil, brand: evil, search: { title: evil, description: evil, keywords: [evil] } }),
    ])['item/x.html']!;
    expect(page.match(/<script/gu)).toHaveLength(1);
    expect(page).not.toContain('<img src=x');
    expect(ld(page).name).toBe(evil);
  });
  it('has a sitemap once its address is known', () => {
    expect(site['sitemap.xml']).toBeUndefined();
    const there = shopSite({ ...shop, address: 'https://yonder.example' }, [good('a')]);
    expect(there['sitemap.xml']).toContain('<loc>https://yonder.example/item/a.html</loc>');
    expect(there['robots.txt']).toContain('Sitemap: https://yonder.example/sitemap.xml');
  });
  // schema.org: image and url are addresses (https://schema.org/url, https://schema.org/image).
  it('tells addresses where its own is known', () => {
    const told = ld(
      shopSite({ ...shop, address: 'https://yonder.example/attic' }, [good('a')])['item/a.html']!,
    );
    const root = 'https://yonder.example/attic/';
    expect(told.image).toEqual([`${root}pictures/a-1.jpg`, `${root}pictures/a-2.jpg`]);
    expect([told.url, told.offers.url]).toEqual([`${root}item/a.html`, `${root}item/a.html`]);
  });
});

// RFC 3986: what belongs to an address and what is a query or a mark; sitemaps.org: a location is an address,
// escaped.
describe('where the shop stands', () => {
  it.each([
    ['https://yonder.example', 'https://yonder.example/'],
    [' https://yonder.example/attic//?utm=1&b=2 ', 'https://yonder.example/attic/'],
    ['https://yonder.example/my attic/index.html#top', 'https://yonder.example/my%20attic/'],
    ['yonder.example/shop', 'https://yonder.example/shop/'],
    ['javascript:alert(1)', null],
    ['file:///home/me/shop', null],
    ['soon', null],
    ['', null],
  ])('%s', (typed, root) => expect(shopRoot(typed)).toBe(root));
  it('leaves no space and no query in a sitemap, and none where there is no address', () => {
    const map = (address: string) => shopSite({ ...shop, address }, [good('a')])['sitemap.xml'];
    const places = [...map('https://yonder.example/my attic?x=1 2')!.matchAll(/<loc>(.*?)<\/loc>/gu)].map(
      (m) => m[1]!,
    );
    expect(places.every((p) => URL.canParse(p) && !/[ ?#]/u.test(p))).toBe(true);
    expect(map('soon')).toBeUndefined();
  });
});

describe('what is in the shop', () => {
  const seen = (part: Partial<CourierListingView>, sale: unknown = null): CourierItemView =>
    ({
      id: 't',
      sale,
      listings: [{ market: 'yard', state: 'live', want: 'live', listedAt: 5, ...part }],
    }) as CourierItemView;
  it.each([
    ['what stands there', seen({}), 'live'],
    ['what is there and was changed since', seen({ doing: 'revise' }), 'live'],
    ['what was sold while it stood there', seen({ state: 'ended', want: 'gone' }, { order: '1' }), 'sold'],
    ['what is only planned', undefined, null],
    ['what is on its way', seen({ state: 'onItsWay', listedAt: null }), null],
    ['what was refused', seen({ state: 'refused', want: 'gone', listedAt: null }), null],
    ['what was withdrawn', seen({ state: 'ended', want: 'gone' }), null],
    ['what was sold and never stood there', seen({ listedAt: null, state: 'refused' }, { order: '1' }), null],
    ['what stands elsewhere', seen({ market: 'moor' }), null],
  ])('%s', (_, view, state) => expect(inShop(view, 'yard')).toBe(state));
});
