import { stockJsonLd, type ToldGood } from './structured';

const good = (part: Partial<ToldGood>): ToldGood => ({
  title: 'Gansey',
  description: 'Navy wool.',
  brand: '',
  price: 4_850,
  currency: 'EUR',
  wear: 2,
  sold: false,
  url: 'https://moor.example/1',
  images: [],
  ...part,
});

// schema.org: ItemList with ListItems from 1, Product, Offer; JSON-LD 1.1 has one context a document.
it('live stock is one list of products, each with its offer, and nothing that was not said', () => {
  const told = JSON.parse(
    stockJsonLd([
      good({ brand: 'Kittiwake Mills', sku: 'YA-1', gtin: '', colour: 'Navy' }),
      good({ url: null }),
    ]),
  ) as Record<string, any>;
  expect(told).toMatchObject({ '@context': 'https://schema.org', '@type': 'ItemList', numberOfItems: 2 });
  const [first, second] = told.itemListElement;
  expect(first).toMatchObject({
    '@type': 'ListItem',
    position: 1,
    item: {
      '@type': 'Product',
      name: 'Gansey',
      sku: 'YA-1',
      color: 'Navy',
      brand: { '@type': 'Brand', name: 'Kittiwake Mills' },
      offers: {
        '@type': 'Offer',
        price: '48.50',
        priceCurrency: 'EUR',
        availability: 'https://schema.org/InStock',
        url: 'https://moor.example/1',
      },
    },
  });
  expect(Object.keys(first.item)).not.toContain('gtin');
  for (const key of ['url', 'brand', 'image']) expect(second.item).not.toHaveProperty(key);
});
