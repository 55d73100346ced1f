import fc from 'fast-check';

import { findKinds, suggestKinds } from './suggest';
import { BUILT_IN, KindTree, ROWS } from './tree';

/**
 * Titles as sellers write them, and the kinds that would be right for them; none: nothing of ours is.
 * Labelled by hand: common practice.
 */
const TITLES: readonly (readonly [title: string, ...kinds: string[]])[] = [
  ['Kittiwake Mills gansey fisherman’s jumper, navy wool, men’s M', 'jumper'],
  ['Ostler waxed cotton chore coat, olive, corduroy collar, men’s L', 'coat'],
  ['Wide corduroy trousers, rust brown', 'trousers'],
  ['Silk headscarf with a wreath of flowers, hand-rolled hem', 'scarf'],
  ['Stout walking boots, brown leather, 43', 'boots'],
  ['Leather satchel with brass buckle', 'bag'],
  ['Brass ship’s lamp with clear glass', 'lamp'],
  ['Enamel coffee pot, blue, chipped', 'kitchenware'],
  ['Beech hand plane with iron', 'handPlane'],
  ['Mother of pearl opera glasses in case', 'glasses'],
  ['Vantrell folding plate camera', 'camera'],
  ['Portable typewriter with case', 'typewriter'],
  ['Wooden jigsaw puzzle, one piece missing', 'jigsaw'],
  ['Field guide to shore birds, hardback', 'book'],
  ['Sea shanty record, 12 inch vinyl', 'record'],
  ['Board game, still sealed', 'boardGame'],
  ['Checked wool blanket', 'blanket'],
  ['Set of four tea glasses', 'cup'],
  ['Mahogany writing slope', 'table'],
  ['Pressed glass vase', 'vase'],
  ['Knitted jumper dress, grey', 'dress'],
  ['Pair of sandals, tan leather', 'sandals'],
  ['Concertina with 20 buttons', 'squeezebox'],
  ['Copper frying pan', 'pan'],
  // An item and what it is about, for or with.
  ['Book about lamps', 'book'],
  ['Coat stand', 'furniture'],
  ['Guide to old cameras, paperback', 'book'],
  ['Poster of a steam train', 'postcard'],
  ['Print of two clocks', 'pictureFrame'],
  ['Case for binoculars'],
  ['Strap for a wristwatch'],
  ['Camera strap, brown leather'],
  ['Shade for a table lamp', 'ceilingLight'],
  ['Lamp base without shade', 'lighting'],
  ['Jug with two cups', 'kitchenware'],
  ['Dress pattern, size 12', 'paperPattern'],
  ['Knitting pattern for a baby cardigan', 'paperPattern'],
  ['Map of the railways in 1890', 'map'],
  ['Teapot with six cups and saucers', 'teapot'],
  ['Record cabinet, teak', 'cupboard'],
  ['Jewellery box with mirror', 'basket'],
  ['Hat box, striped', 'basket'],
  ['Picture hook'],
  ['Shoe tree, beech'],
  ['Hat pin with a pearl', 'brooch'],
  ['Watch winder'],
  ['Plate rack, pine', 'kitchen'],
  ['Clock radio, white', 'radio'],
  ['Doll’s pram', 'doll', 'games'],
  ['Toy sewing machine', 'games', 'modelToy'],
  ['Model plane, balsa', 'modelToy'],
  ['Book shelf for children', 'cupboard'],
  ['Piano stool', 'chair'],
  ['Typewriter ribbon'],
  ['Tent pegs'],
  ['Guitar case'],
  ['Bicycle lamp, carbide', 'lantern'],
  ['Table cloth, embroidered', 'tableLinen'],
  ['Fishing waistcoat with pockets', 'fishing', 'waistcoat'],
  ['Camera manual', 'book'],
  ['Jigsaw puzzle of a harbour', 'jigsaw'],
  ['Chair cushion', 'cushion'],
  ['Ring binder'],
  ['Key ring, brass', 'collectables'],
  ['Napkin rings, set of six', 'kitchen', 'tableLinen'],
  ['Chest of drawers, pine', 'chestOfDrawers'],
  ['Clothes horse', 'furniture'],
  ['Horn handled carving set', 'cutlery'],
  ['Kettle, copper', 'kitchenware'],
  // Words of kin.
  ['Grey hoodie, size L', 'jumper'],
  ['Green wellies, 39', 'boots'],
  ['Oak sideboard', 'cupboard'],
  ['Wool tights, navy', 'hosiery'],
  ['Bread knife', 'cutlery'],
  ['Six wine glasses', 'cup', 'vase'],
  ['Linen tea towel', 'tableLinen'],
  ['Marble bookends', 'ornament', 'home'],
  ['Fisherman’s jersey', 'jumper'],
  ['Waxed anorak', 'coat'],
  ['Trench coat, beige', 'coat'],
  ['Blue dungarees', 'trousers'],
  ['Velvet blazer', 'coat'],
  ['Silk camisole', 'tshirt'],
  ['Ball gown, taffeta', 'dress'],
  ['Wrap skirt', 'skirt'],
  ['Swimming trunks', 'swimwear'],
  ['Sleepsuit, 3-6 months', 'childClothes'],
  ['Straw boater', 'hat'],
  ['Bobble hat', 'hat'],
  ['Pashmina, coral', 'scarf'],
  ['Bow tie, spotted', 'tie'],
  ['Chelsea boots, suede', 'boots'],
  ['Stilettos, red, UK 5', 'shoes'],
  ['Running shoes', 'trainers'],
  ['Flip flops', 'sandals'],
  ['Leather briefcase', 'bag', 'suitcase'],
  ['Vanity case with mirror', 'suitcase'],
  ['Coin purse', 'wallet'],
  ['Signet ring, 9 ct', 'ring'],
  ['String of pearls', 'necklace'],
  ['Charm bracelet', 'bracelet'],
  ['Clip-on earrings', 'earrings'],
  ['Tie pin with a fox', 'cufflinks', 'brooch'],
  ['Fob watch', 'watch'],
  ['Cut glass decanter', 'vase'],
  ['Snow globe', 'ornament'],
  ['Cuckoo clock', 'clock'],
  ['Framed etching, signed', 'pictureFrame'],
  ['Oil painting of boats', 'pictureFrame'],
  ['Pair of brass candlesticks', 'candlestick'],
  ['Wicker hamper', 'basket'],
  ['Gravy boat', 'kitchenware'],
  ['Butter dish with cow', 'kitchenware'],
  ['Cake stand, three tiers', 'kitchenware'],
  ['Pewter tankard', 'cup'],
  ['Dinner service for eight', 'plate'],
  ['Coffee grinder', 'grinder'],
  ['Kitchen scales', 'grinder'],
  ['Cast iron casserole', 'pan'],
  ['Saucepans, set of 3', 'pan'],
  ['Standard lamp', 'lamp'],
  ['Hurricane lamp', 'lantern'],
  ['Glass chandelier', 'ceilingLight'],
  ['Patchwork bedspread', 'quilt'],
  ['Net curtains', 'curtain'],
  ['Kilim runner', 'rug', 'tableLinen'],
  ['Bath towel', 'textiles'],
  ['Leather sofa', 'furniture', 'chair'],
  ['Rocking chair', 'chair'],
  ['Nest of tables', 'table'],
  ['Wardrobe, mahogany', 'cupboard'],
  ['Blanket box', 'chestOfDrawers'],
  ['Claw hammer', 'tools'],
  ['Tenon saw', 'saw'],
  ['Spirit level', 'measuringTool'],
  ['Garden fork', 'gardenTool'],
  ['Watering can', 'gardenTool'],
  ['Cordless drill', 'powerTool'],
  ['Box camera', 'camera'],
  ['Telephoto lens, 200 mm', 'lens'],
  ['Transistor radio', 'radio'],
  ['Turntable with two speakers', 'recordPlayer'],
  ['Wireless earbuds', 'headphones'],
  ['Rotary telephone, black', 'phone'],
  ['Pocket calculator', 'computer'],
  ['Cookery book, 1950s', 'book'],
  ['Pop-up book', 'childBook'],
  ['Road atlas', 'map'],
  ['Comics, bundle of 20', 'magazine'],
  ['Piano sheet music', 'sheetMusic'],
  ['Folk songs, LP', 'record'],
  ['Sea shanties on CD', 'cd'],
  ['Thriller on DVD', 'film'],
  ['1000 piece jigsaw', 'jigsaw'],
  ['Chess set, boxwood', 'boardGame', 'cardGame'],
  ['Deck of playing cards', 'cardGame'],
  ['Teddy bear', 'doll'],
  ['Tin toy car', 'modelToy'],
  ['Wooden building blocks', 'buildingSet'],
  ['First day cover', 'stamp'],
  ['Silver sixpence', 'coin'],
  ['Old photographs, box of 50', 'postcard'],
  ['Enamel pub sign', 'sign'],
  ['Ball of sock yarn', 'yarn'],
  ['Cotton fabric, 3 m', 'fabric'],
  ['Mountain bike', 'bicycle'],
  ['Golf clubs', 'racket'],
  ['Sleeping bag', 'tent'],
  ['Fly rod', 'fishing'],
  ['Ice skates', 'winterSport'],
  ['Acoustic guitar', 'guitar'],
  ['Tin whistle', 'wind'],
  ['Snare drum', 'drum'],
];

describe('kinds from the words of a title', () => {
  const judged = TITLES.map(([title, ...kinds]) => {
    const said = suggestKinds({ title }, BUILT_IN)[0]?.kind;
    const right = said === undefined ? kinds.length === 0 : kinds.includes(said);
    return { title, kinds, said, right, wrong: said !== undefined && !right };
  });
  const of = (hit: (j: (typeof judged)[number]) => boolean) => judged.filter(hit);

  it('are right for 92 in 100 and wrong for at most 3', () => {
    expect(judged.length).toBeGreaterThanOrEqual(150);
    const words =
      `kinds from ${judged.length} titles: ${of((j) => j.right).length} right, ` +
      `${of((j) => j.wrong).length} wrong\n`;
    process.stdout.write(words);
    const missed = of((j) => !j.right).map(({ title, said }) => [title, said]);
    expect({ missed, right: of((j) => j.right).length / judged.length >= 0.92 }).toMatchObject({
      right: true,
    });
    expect({ missed, wrong: of((j) => j.wrong).length / judged.length <= 0.03 }).toMatchObject({
      wrong: true,
    });
  });

  it('are all among the kinds there are', () => {
    for (const [, ...kinds] of TITLES)
      for (const kind of kinds) expect([kind, BUILT_IN.get(kind)?.id]).toEqual([kind, kind]);
  });

  it('name of several items the one that stands first, then the others', () =>
    expect(suggestKinds({ title: 'Hat and gloves, with scarf' }, BUILT_IN).map((s) => s.kind)).toEqual([
      'hat',
      'gloves',
    ]));

  it('go by what is outside quotation marks', () => {
    expect(suggestKinds({ title: '“The lamp of Erin”, hardback' }, BUILT_IN)[0]?.kind).toBe('book');
    expect(suggestKinds({ title: '"Jumper"' }, BUILT_IN)[0]?.kind).toBe('jumper');
  });

  it('say that it is to read or to hear, whatever its name is about', () =>
    expect(suggestKinds({ title: 'Jumpers of the islands, hardback' }, BUILT_IN)[0]?.kind).toBe('book'));

  it('take a name that stands behind for a name, and a noun for another item', () => {
    expect(suggestKinds({ title: 'Jumper Fairholm, navy wool' }, BUILT_IN)[0]?.kind).toBe('jumper');
    expect(suggestKinds({ title: 'Navy jumper dryer' }, BUILT_IN)).toEqual([]);
  });

  it('take each line for itself, as of several titles of one item', () =>
    expect(suggestKinds({ title: 'Enamel tray\nBlue rim, for tea' }, BUILT_IN)[0]?.kind).toBe('kitchenware'));

  it('say why', () =>
    expect(suggestKinds({ title: 'Navy gansey' }, BUILT_IN)[0]).toMatchObject({
      kind: 'jumper',
      because: { shown: 'gansey', source: 'title' },
    }));

  it('know the person’s own kinds before ours', () => {
    const tree = new KindTree(ROWS, [{ id: 'k1', parent: 'kitchen', name: 'Butter dish' }]);
    expect(suggestKinds({ label: 'BUTTER DISH' }, tree)[0]?.kind).toBe('k1');
  });

  it('never fail, whatever the words', () => {
    const words = fc
      .array(
        fc.oneof(
          fc.constantFrom(
            'coat',
            'of',
            'and',
            'stand',
            '“',
            '”',
            ',',
            '-',
            'GLASSES',
            'constructor',
            '__proto__',
          ),
          fc.string({ unit: 'grapheme' }),
        ),
      )
      .map((w) => w.join(' '));
    fc.assert(
      fc.property(words, (title) => {
        for (const s of suggestKinds({ title, label: title }, BUILT_IN)) {
          expect(s.score).toBeGreaterThan(0);
          expect(BUILT_IN.get(s.kind)).toBeDefined();
        }
      }),
    );
  });
});

describe('finding a kind by what is typed', () => {
  it.each([
    ['jersey', 'jumper'],
    ['hoodie', 'jumper'],
    ['wellies', 'boots'],
    ['coat', 'coat'],
    ['wine glasses', 'cup'],
    ['book', 'book'],
    ['side', 'cupboard'],
    ['gans', 'jumper'],
  ])('%s', (typed, kind) => expect(findKinds(typed, BUILT_IN).map((k) => k.id)).toContain(kind));
  it('puts those first that are called so', () => {
    expect(findKinds('coat', BUILT_IN)[0]?.id).toBe('coat');
    expect(findKinds('jersey', BUILT_IN)[0]?.id).toBe('jumper');
  });
  it('finds nothing for words that name nothing', () => {
    expect(findKinds('  ', BUILT_IN)).toEqual([]);
    expect(findKinds('zzzz', BUILT_IN)).toEqual([]);
  });
});
