import { LIKE_PARTS, USUAL_LIKE } from '@/contract/settings';

import { likeOf } from './anotherLike';
import { anItem } from '../../../e2e/anItem';

const coat = anItem({
  kind: 'coat',
  facts: { brand: 'Ostler', serial: 'SN-1' },
  spot: 'C1',
  use: 'light',
  looked: true,
  flaws: [
    {
      id: 'f',
      type: 'hole',
      place: 'cuff',
      severity: 'clear',
      sizeMm: 4,
      pictureId: 'p',
      pin: { x: 0, y: 1 },
    },
  ],
  measurements: { chest: 590 },
  pictureIds: ['p'],
  title: 'Ostler coat',
  description: 'A coat.',
  price: 7_400,
  cost: 900,
  weightG: 1_400,
  ownerId: 'o',
  haulId: 'h',
});

describe('another like it', () => {
  it('takes what is wanted along, and nothing else', () => {
    expect(likeOf(coat, [])).toEqual({ kind: 'coat' });
    expect(likeOf(coat, ['cost', 'owner'])).toEqual({ kind: 'coat', cost: 900, ownerId: 'o' });
  });
  it('usually takes what is the same of both, and neither words nor condition', () => {
    const like = likeOf(coat, USUAL_LIKE);
    expect(like).toMatchObject({ facts: { brand: 'Ostler' }, measurements: { chest: 590 }, price: 7_400 });
    expect(Object.keys(like)).not.toEqual(expect.arrayContaining(['description']));
    expect(like.flaws).toBeUndefined();
  });
  it('never has the code, spot, serial number, pictures or the look over of the one piece', () => {
    const like = likeOf(coat, LIKE_PARTS);
    expect(like.facts).toEqual({ brand: 'Ostler' });
    for (const own of ['id', 'code', 'spot', 'pictureIds', 'looked'] as const)
      expect(like[own]).toBeUndefined();
    expect(like.flaws).toEqual([{ ...coat.flaws[0], pictureId: null, pin: null }]);
  });
});
