import { Calm } from '@/parts/trade/Calm';

export function NoSales() {
  return (
    <Calm
      heading="No sales yet"
      words={
        'When something sells anywhere, it is listed here ' +
        'with the time it was gone from everywhere else.'
      }
    />
  );
}
