import { useCourier } from '@/store/courier/courierLink';
import { open, press, said, sees } from '@/testing/page';
import { emptyAttic, market, SHEETS } from '@/testing/world';

import { BringIn } from './BringIn';

const nothing = () => ({ listings: [] });

it('all that is listed is looked after only where all were asked and answered', async () => {
  await emptyAttic();
  await open(BringIn, { answers: { '/own/': nothing } });
  await press(/^Look /u);
  await sees('Everything that is listed is looked after.');
});

it('what did not answer and what is not connected is named: nobody knows what is listed there', async () => {
  await emptyAttic();
  useCourier.setState({
    markets: SHEETS.map((s) => market(s, s.marketplace === 'oldhollow' ? { link: 'off' } : {})),
  });
  const refused = { refused: 'It did not answer.', status: 502 };
  await open(BringIn, { answers: { '/own/': nothing, '/own/nearstile': () => refused } });
  await press(/^Look /u);
  await sees('Not known of Nearstile and Oldhollow.');
  expect(said()).not.toContain('Everything that is listed is looked after.');
});
