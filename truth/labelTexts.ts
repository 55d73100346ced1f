import type { Random } from '../sim/random';

/** A line as it stands on a label or a whiteboard. */
export interface TextLine {
  text: string;
  /** Height of its letters, over that of the others. */
  scale: number;
}

/** What is written, and what is to be proposed from it: values by field. */
export interface Written {
  lines: TextLine[];
  truth: Record<string, string>;
}

const BRANDS = [
  'Kittiwake Mills',
  'Fern & Lantern',
  'Saltmarsh',
  'Orrin Vale',
  'Hollis Tarn',
  'Brindlewood',
  'Quay Street',
  'Marram & Sons',
  'Dunnock',
  'Pell Harbour',
  'Tidewrack',
  'Amber Lane',
] as const;
const COUNTRIES = [
  'Portugal',
  'Italy',
  'Scotland',
  'Turkey',
  'India',
  'Romania',
  'Great Britain',
  'Vietnam',
  'Lithuania',
] as const;
const FIBRES = [
  'wool',
  'cotton',
  'linen',
  'silk',
  'viscose',
  'polyester',
  'polyamide',
  'acrylic',
  'elastane',
  'cashmere',
  'mohair',
  'nylon',
] as const;
const SIZES = [
  'XS',
  'S',
  'M',
  'L',
  'XL',
  'XXL',
  'EU 38',
  'EU 42',
  'UK 12',
  'UK 14',
  'IT 46',
  'FR 40',
] as const;
const CARE = [
  'HAND WASH ONLY',
  'DRY CLEAN ONLY',
  'MACHINE WASH COLD',
  'DO NOT BLEACH',
  'COOL IRON',
  'WASH DARK COLOURS SEPARATELY',
  'DO NOT TUMBLE DRY',
] as const;

const titled = (text: string) => text[0]!.toUpperCase() + text.slice(1);

/** Words in one line, or in two. */
function fibresOf(random: Random): { lines: string[]; truth: string } {
  const first = random.one(FIBRES);
  const sign = random.chance(0.3) ? ' %' : '%';
  const said = random.chance(0.15) ? 'pure new ' : '';
  if (random.chance(0.4)) return { lines: [`100${sign} ${said}${first}`], truth: titled(first) };
  const others = FIBRES.filter((f) => f !== first);
  const second = random.one(others);
  if (random.chance(0.7)) {
    const share = random.between(10, 19) * 5;
    const parts = [`${share}${sign} ${first}`, `${100 - share}${sign} ${second}`];
    return {
      lines: random.chance(0.5) ? parts : [parts.join(random.chance(0.5) ? ', ' : ' ')],
      truth: `${share} % ${first}, ${100 - share} % ${second}`,
    };
  }
  const third = random.one(others.filter((f) => f !== second));
  const [a, c] = [random.between(9, 14) * 5, random.between(2, 6)];
  const shares = [
    [a, first],
    [100 - a - c, second],
    [c, third],
  ] as const;
  return {
    lines: shares.map(([share, fibre]) => `${share}${sign} ${fibre}`),
    truth: shares.map(([share, fibre]) => `${share} % ${fibre}`).join(', '),
  };
}

/** A label sewn into clothes: some of maker, size, fibres, country, style code, care. */
export function labelText(random: Random): Written {
  const truth: Record<string, string> = {};
  const capitals = random.chance(0.65);
  const cased = (text: string) => (capitals ? text.toUpperCase() : titled(text));
  const lines: TextLine[] = [];
  const add = (text: string, scale = 1) => lines.push({ text, scale });
  if (random.chance(0.75)) {
    truth['fact:brand'] = random.one(BRANDS);
    add(
      capitals || random.chance(0.5) ? truth['fact:brand'].toUpperCase() : truth['fact:brand'],
      1.7 + random.next(),
    );
  }
  if (random.chance(0.75)) {
    const size = random.one(SIZES);
    truth['fact:size'] = size;
    const isLetters = /^[XSML]+$/u.test(size);
    add(
      random.chance(isLetters ? 0.6 : 0.4)
        ? `${cased('size')}${random.chance(0.3) ? ':' : ''} ${size}`
        : size,
      1 + random.next() * 0.6,
    );
  }
  if (random.chance(0.85)) {
    const fibres = fibresOf(random);
    truth['fact:material'] = fibres.truth;
    for (const line of fibres.lines) add(cased(line));
  }
  if (random.chance(0.7)) {
    truth['fact:country'] = random.one(COUNTRIES);
    add(`${cased('made in')} ${capitals ? truth['fact:country'].toUpperCase() : truth['fact:country']}`);
  }
  if (random.chance(0.35)) {
    const suffix = random.chance(0.5) ? `-${random.one(['A', 'B', 'K', 'T'])}` : '';
    const code = `${random.between(1000, 9999)}${suffix}`;
    truth['fact:styleCode'] = code;
    add(`${random.one(['STYLE', 'ART.', 'REF', 'MODEL'])} ${code}`);
  }
  if (random.chance(0.5) || lines.length < 2) add(random.one(CARE));
  return { lines, truth };
}

const COLOURS = ['Navy', 'Cream', 'Olive', 'Rust', 'Black', 'Dark green', 'Pale pink', 'Grey'] as const;
const FLAWS = [
  'small hole at the cuff',
  'stain on the hem',
  'missing button',
  'moth hole left elbow',
  'faded at the collar',
  'scratch on the buckle',
  'pilling under the arms',
] as const;
/** What a jumper is measured along, by the ids of the kinds' own tree, as people write it. */
const MEASURED = [
  { id: 'chest', names: ['Pit to pit', 'Chest', 'P2P'], from: 420, to: 640 },
  { id: 'length', names: ['Length', 'Back length'], from: 560, to: 800 },
  { id: 'sleeve', names: ['Sleeve', 'Arm'], from: 480, to: 720 },
  { id: 'shoulder', names: ['Shoulder', 'Shoulders'], from: 380, to: 520 },
] as const;

/** A whiteboard beside a jumper: its measurements by name or as bare numbers, weight, colour, a flaw. */
export function boardText(random: Random): Written {
  const truth: Record<string, string> = {};
  const lines: TextLine[] = [];
  const add = (text: string) => lines.push({ text, scale: 1 });
  const capitals = random.chance(0.3);
  const figures = MEASURED.slice(0, random.between(2, 4)).map((m) => ({
    ...m,
    mm: random.between(m.from / 5, m.to / 5) * 5,
  }));
  const comma = random.chance(0.4) ? ',' : '.';
  const figure = (mm: number) => String(mm / 10).replace('.', comma);
  for (const { id, mm } of figures) truth[`measure:${id}`] = String(mm);
  if (random.chance(0.2)) add(figures.map(({ mm }) => figure(mm)).join(random.one([' / ', '  ', ' x '])));
  else {
    const unit = random.chance(0.4) ? ' cm' : '';
    const sign = random.one([' ', ': ', ' = ']);
    for (const { names, mm } of figures) add(`${random.one(names)}${sign}${figure(mm)}${unit}`);
  }
  if (random.chance(0.5)) {
    const grams = random.between(30, 180) * 10;
    truth.weight = String(grams);
    const said = grams >= 1_000 && random.chance(0.5) ? `${grams / 1_000} kg` : `${grams} g`;
    add(random.chance(0.6) ? `Weight ${said}` : said);
  }
  if (random.chance(0.45)) {
    truth['fact:colour'] = random.one(COLOURS);
    add(`${random.chance(0.4) ? 'Colour: ' : ''}${truth['fact:colour']}`);
  }
  if (random.chance(0.45)) {
    truth.flaw = random.one(FLAWS);
    add(`${random.chance(0.5) ? 'Flaw: ' : ''}${truth.flaw}`);
  }
  return {
    truth,
    lines: capitals ? lines.map((line) => ({ ...line, text: line.text.toUpperCase() })) : lines,
  };
}
