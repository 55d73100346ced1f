import type { Standing } from '@/core/talks/standing';

/** As the seller is told: "promised to Ines"; null where it can be had. */
export function standingWords(standing: Standing, market: (id: string) => string): string | null {
  switch (standing.is) {
    case 'free':
      return null;
    case 'sold':
      return `sold on ${market(standing.market)}`;
    case 'held': {
      const where = standing.market ? ` on ${market(standing.market)}` : '';
      return `promised to ${standing.who || 'somebody'}${where}`;
    }
    case 'away':
      return standing.why === 'left' ? 'no longer here' : 'at a depot, and has to come back first';
  }
}

/** As a buyer is told, who asks whether it is still here. */
export function toldToBuyers(standing: Standing, price: string): string {
  switch (standing.is) {
    case 'free':
      return `yes, it is still here.${price === '' ? '' : ` It costs ${price}.`}`;
    case 'sold':
      return 'I am sorry, it is sold.';
    case 'held':
      return 'it is promised to somebody just now. I write to you if that comes to nothing.';
    case 'away':
      return standing.why === 'left'
        ? 'I am sorry, it is no longer for sale.'
        : 'it is kept elsewhere just now and takes some days longer to be posted.';
  }
}
