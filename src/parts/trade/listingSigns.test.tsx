import { useCourier } from '@/store/courier/courierLink';
import { listed, told } from '@/testing/courier';
import { open } from '@/testing/page';
import { manyItems, SHEETS } from '@/testing/world';

import { ListingSigns } from './ListingSigns';

const links = () => [...document.querySelectorAll('a')].map((a) => a.getAttribute('href'));

it('live signs lead to their own pages, at their marketplace and nowhere else', async () => {
  const many = await manyItems();
  const id = many.id('Ostler');
  told(id, {
    listings: [
      listed('brackenmoor', { url: '/outside/brackenmoor/item/7' }),
      listed('threadwick', { url: 'https://elsewhere.example/7' }),
      listed('oldhollow', { url: '/outside/oldhollow/item/7', state: 'ended', want: 'gone' }),
    ],
  });
  const Signs = ({ on }: { on: boolean }) => (
    <ListingSigns
      itemId={id}
      view={useCourier((s) => s.items[id])}
      plans={{}}
      sheets={SHEETS}
      currency="EUR"
      links={on}
    />
  );
  await open(() => <Signs on />);
  expect(links()).toEqual(['http://localhost/outside/brackenmoor/item/7']);
  await open(() => <Signs on={false} />);
  // Only the first is still one.
  expect(links()).toHaveLength(1);
});
