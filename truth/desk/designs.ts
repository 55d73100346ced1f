import type { Dye } from '../../demo/draw/dyes';
import type { Subject } from '../../demo/draw/studio';
import { versionOf } from '../../demo/goods/good';
import { GOODS } from '../../demo/goods/goods';
import { DEMO_ITEMS } from '../../demo/items';

/** One drawing that the desk has pictures of, and what was sold under it. */
export interface Drawing {
  /** In the order they are drawn. */
  no: number;
  /** Drawings of one design differ by their colours alone. */
  design: number;
  kind: string;
  subject: Subject;
  /** What sold that looked so. */
  sold: { words: string; by: string; what: string; colour: string }[];
  /** Minor units, the lowest and the highest. */
  cents: [number, number];
  places: Readonly<Record<string, number>>;
}

/** Where the kind's own name is not what people call it. */
const CALLED: Readonly<Record<string, string>> = {
  modelToy: 'model',
  squeezebox: 'concertina',
  kitchenware: 'coffee pot',
  glasses: 'opera glasses',
};

/** What the desk files it under. */
const shelfOf = (kind: string) =>
  CALLED[kind] ?? kind.replace(/[A-Z]/gu, (letter) => ` ${letter.toLowerCase()}`);

/** Everything that the demo world can draw: each good in each colour, and the items of the attic's own. */
export function drawings(): Drawing[] {
  const all: Omit<Drawing, 'no'>[] = [];
  GOODS.forEach((good, design) => {
    for (const dye of good.dyes) all.push(ofGood(good, dye, design));
  });
  const own = new Map<Subject, (typeof DEMO_ITEMS)[number]>();
  for (const one of DEMO_ITEMS) if (!own.has(one.subject)) own.set(one.subject, one);
  [...own.values()].forEach(({ subject, item }, i) => {
    const price = item.price ?? 2_000;
    const { brand = '', colour = '' } = item.facts;
    all.push({
      design: GOODS.length + i,
      kind: item.kind,
      subject,
      sold: [{ words: item.title, by: brand, what: shelfOf(item.kind), colour }],
      cents: [Math.round(price * 0.7), Math.round(price * 1.25)],
      places: { brackenmoor: 4, oldhollow: 2, threadwick: 1 },
    });
  });
  return all.map((one, no) => ({ ...one, no }));
}

function ofGood(good: (typeof GOODS)[number], dye: Dye, design: number): Omit<Drawing, 'no'> {
  const versions = good.makes.map((_, make) => versionOf(good, make, dye, null));
  return {
    design,
    kind: good.kind,
    subject: good.draw(dye, versions[0]?.name ?? '', versions[0]?.by ?? ''),
    sold: versions.map(({ title, name, by }) => ({
      words: title,
      by: by === '' ? name : by,
      what: shelfOf(good.kind),
      colour: dye.word,
    })),
    cents: [good.price[0] * 100, good.price[1] * 100],
    places: good.markets,
  };
}
