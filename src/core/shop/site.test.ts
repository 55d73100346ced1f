import { itemCondition, shopSite, type ShopGood } from './site';

const good = (id: string, part: Partial<ShopGood> = {}): ShopGood => ({
  id, title: `Gansey ${id}`, html: '<p>Navy wool.</p>', price: 4_800, postage: 420, brand: 'Kittiwake Mills', condition: { label: 'Good', wear: 2 },
  section: { id: 'shop', name: 'In the shop' }, pictures: [`${id}-1.jpg`, `${id}-2.jpg`],
  search: { title: `Gansey ${id} | Yonder`, description: 'A gansey of navy wool.', keywords: ['gansey', 'wool'] }, sold: false, ...part,
}); // prettier-ignore
const shop = { name: 'Yonder & Sons', currency: 'EUR', address: '' };
const ld = (html: string) =>
  JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/su.exec(html)![1]!) as Record<string, any>;

describe('the shop as files', () => {
  const site = shopSite(shop, [good('a'), good('b'), good('c', { sold: true })]);

  it('has a page for each thing, its section and the whole, and every link leads to a file', () => {
    const pages = Object.keys(site).filter((p) => p.endsWith('.html'));
    expect(pages.sort()).toEqual(['index.html', 'section-shop.html', 'thing/a.html', 'thing/b.html', 'thing/c.html']); // prettier-ignore
    for (const path of pages)
      for (const [, link = ''] of site[path]!.matchAll(/href="([^"]+\.(?:html|css))"/gu)) {
        const to = new URL(link, `file:///${path}`).pathname.slice(1);
        expect([path, link, to in site]).toEqual([path, link, true]);
      }
  });
  // schema.org: Product, Offer, itemCondition, availability.
  it('tells search engines what it is, what it costs and whether it can be had', () => {
    expect(ld(site['thing/a.html']!)).toMatchObject({
      '@context': 'https://schema.org', '@type': 'Product', name: 'Gansey a',
      offers: { '@type': 'Offer', price: '48.00', priceCurrency: 'EUR', availability: 'https://schema.org/InStock', itemCondition: 'https://schema.org/UsedCondition' },
    }); // prettier-ignore
    expect(ld(site['thing/c.html']!).offers.availability).toBe('https://schema.org/SoldOut');
    expect([0, 1, 4, 5].map(itemCondition)).toEqual([
      'NewCondition',
      'UsedCondition',
      'UsedCondition',
      'DamagedCondition',
    ]);
  });
  it('shows what is sold on its own page only, and related things of the same section', () => {
    expect(site['index.html']).not.toContain('thing/c.html');
    expect(site['thing/a.html']).toContain('thing/b.html');
    expect(site['thing/a.html']).not.toContain('thing/c.html"');
  });
  it('lets nothing out of its words', () => {
    const evil = '</script><script>alert(1)</script>"><img src=x onerror=alert(1)>';
    const page = shopSite(shop, [good('x', { title: evil, brand: evil, search: { title: evil, description: evil, keywords: [evil] } })])['thing/x.html']!; // prettier-ignore
    expect(page.match(/<script/gu)).toHaveLength(1);
    expect(page).not.toContain('<img src=x');
    expect(ld(page).name).toBe(evil);
  });
  it('has a sitemap once its address is known', () => {
    expect(site['sitemap.xml']).toBeUndefined();
    const there = shopSite({ ...shop, address: 'https://yonder.example' }, [good('a')]);
    expect(there['sitemap.xml']).toContain('<loc>https://yonder.example/thing/a.html</loc>');
    expect(there['robots.txt']).toContain('Sitemap: https://yonder.example/sitemap.xml');
  });
});
