import { rankKinds, type KindEvidence } from './rank';
import { BUILT_IN } from './tree';

const NOTHING: KindEvidence = { words: {}, fields: [], outlines: [], lately: [] };
const ranked = (part: Partial<KindEvidence>, most = 5) =>
  rankKinds({ ...NOTHING, ...part }, BUILT_IN, most).map((k) => k.kind);

describe('the kinds an item may be of', () => {
  it('are those that words name, whatever else speaks', () =>
    expect(
      ranked({ words: { title: 'Navy gansey' }, outlines: ['block'], lately: ['lamp', 'lamp'] })[0],
    ).toBe('jumper'));
  it('are those that are asked for what was read', () => {
    expect(ranked({ fields: ['measure:inseam', 'measure:waist', 'measure:rise'] })[0]).toBe('jeans');
    expect(
      ranked({ fields: ['measure:insole', 'fact:size'] })
        .slice(0, 5)
        .sort(),
    ).toEqual(['boots', 'sandals', 'shoes', 'slippers', 'trainers'].sort());
    // Width and height are asked of half of all.
    expect(ranked({ fields: ['fact:colour'] })).toEqual([]);
  });
  it('are narrowed by the outline, and among alike ones the one lately worked on comes first', () => {
    expect(ranked({ outlines: ['brim'] })).toEqual(['hat']);
    expect(ranked({ outlines: ['sleeves'], lately: ['cardigan', 'lamp'] })[0]).toBe('cardigan');
    expect(ranked({ outlines: ['sleeves'], fields: ['measure:chest'], lately: ['lamp'] }).at(-1)).not.toBe(
      'lamp',
    );
  });
  it('say why', () => {
    const [first] = rankKinds(
      { words: {}, fields: ['measure:inseam'], outlines: ['legs'], lately: [] },
      BUILT_IN,
      1,
    );
    expect(first).toMatchObject({
      kind: 'jeans',
      because: { code: 'asks', params: { field: 'measure:inseam' } },
    });
  });
  it('are none where nothing speaks', () => expect(ranked({})).toEqual([]));
});
