import { formatAmount, type Minor } from '../money/money';

/** What is told of an item to whoever reads structured data. */
export interface ToldGood {
  title: string;
  description: string;
  /** Empty: not said. */
  brand: string;
  price: Minor;
  currency: string;
  wear: number;
  sold: boolean;
  url: string | null;
  /** Addresses. */
  images: readonly string[];
  sku?: string;
  gtin?: string;
  colour?: string;
  material?: string;
  size?: string;
}

/** schema.org knows four conditions; ours is never said to be better than it is. */
export function itemCondition(wear: number): 'NewCondition' | 'UsedCondition' | 'DamagedCondition' {
  return wear === 0 ? 'NewCondition' : wear >= 5 ? 'DamagedCondition' : 'UsedCondition';
}

/**
 * An item with its offer, as search engines and other programs read it.
 *
 * @see https://schema.org/Product and https://schema.org/Offer
 */
export function productOf(good: ToldGood): Record<string, unknown> {
  const { url } = good;
  const plain = {
    sku: good.sku,
    gtin: good.gtin,
    color: good.colour,
    material: good.material,
    size: good.size,
  };
  return {
    '@type': 'Product',
    name: good.title,
    description: good.description,
    ...Object.fromEntries(Object.entries(plain).filter(([, value]) => value)),
    ...(good.brand ? { brand: { '@type': 'Brand', name: good.brand } } : {}),
    ...(url === null ? {} : { url }),
    ...(good.images.length > 0 ? { image: good.images } : {}),
    offers: {
      '@type': 'Offer',
      ...(url === null ? {} : { url }),
      price: formatAmount(good.price, good.currency),
      priceCurrency: good.currency,
      availability: `https://schema.org/${good.sold ? 'SoldOut' : 'InStock'}`,
      itemCondition: `https://schema.org/${itemCondition(good.wear)}`,
    },
  };
}

/**
 * Live stock as one document.
 *
 * @see https://schema.org/ItemList
 * @see https://www.w3.org/TR/json-ld11/
 */
export function stockJsonLd(goods: readonly ToldGood[]): string {
  const list = {
    '@context': 'https://schema.org',
    '@type': 'ItemList',
    numberOfItems: goods.length,
    itemListElement: goods.map((good, i) => ({
      '@type': 'ListItem',
      position: i + 1,
      item: productOf(good),
    })),
  };
  return `${JSON.stringify(list, null, 2)}\n`;
}
