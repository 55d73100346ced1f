import type { Sighting } from './sameThing';

/**
 * Listings as sellers word them, by the thing they show: `[thing, market, title, price in minor units, more]`. Look-alikes of
 * each other stand close together on purpose. Judged by hand, common practice.
 */
// prettier-ignore
const LISTINGS: readonly [string, string, string, number, Partial<Sighting>?][] = [
  ['gansey-m', 'brackenmoor', 'Kittiwake Mills gansey fisherman’s jumper navy wool mens M', 4800],
  ['gansey-m', 'threadwick', 'Navy wool gansey, Kittiwake Mills, size M', 5200],
  ['gansey-m', 'nearstile', 'Fisherman’s jumper (gansey), navy, M', 4500],
  ['gansey-l', 'brackenmoor', 'Kittiwake Mills gansey fisherman’s jumper navy wool mens L', 4900],
  ['gansey-l', 'threadwick', 'Navy wool gansey, Kittiwake Mills, size L', 5200],
  ['chore', 'brackenmoor', 'Ostler waxed cotton chore coat olive corduroy collar L', 7400],
  ['chore', 'threadwick', 'Ostler waxed chore coat in olive', 7900],
  ['chore', 'lanternyard', 'Waxed cotton chore coat by Ostler, olive, corduroy collar', 7400],
  ['parka', 'brackenmoor', 'Ostler field parka olive drab lined hood L', 6800],
  ['parka', 'threadwick', 'Ostler parka, olive, hood, L', 7200],
  ['scarf', 'brackenmoor', 'Silk headscarf wreath of flowers hand rolled hem Vantrell', 2600],
  ['scarf', 'threadwick', 'Vantrell silk headscarf, flower wreath, rolled hem', 2900],
  ['scarf', 'oldhollow', 'A silk headscarf with a wreath of flowers, hand-rolled, Vantrell', 3000],
  ['scarf-birds', 'brackenmoor', 'Silk headscarf swallows and reeds Vantrell', 2800],
  ['scarf-birds', 'oldhollow', 'Vantrell silk scarf, swallows over reeds', 3100],
  ['vase', 'brackenmoor', 'Skerry Glass smoked bubble vase 22 cm', 3400],
  ['vase', 'oldhollow', 'Smoked glass bubble vase by Skerry Glass, 22 cm', 3800],
  ['vase-tall', 'brackenmoor', 'Skerry Glass smoked bubble vase 31 cm', 5200],
  ['vase-tall', 'oldhollow', 'Tall smoked bubble vase, Skerry Glass, 31 cm', 5600],
  ['lamp', 'nearstile', 'Brass desk lamp, green shade, works', 4000],
  ['lamp', 'oldhollow', 'Desk lamp in brass with a green glass shade, rewired', 6200],
  ['lamp-floor', 'nearstile', 'Brass floor lamp, works', 4500],
  ['plane', 'brackenmoor', 'Haldane No 5 jack plane rosewood handle', 4200],
  ['plane', 'oldhollow', 'Haldane jack plane no. 5, rosewood', 4600],
  ['plane4', 'brackenmoor', 'Haldane No 4 smoothing plane rosewood handle', 3900],
  ['plane4', 'oldhollow', 'Haldane smoothing plane no. 4, rosewood', 4400],
  ['camera', 'brackenmoor', 'Corvane 35 folding camera with case, shutter sticks', 3600],
  ['camera', 'oldhollow', 'Folding camera Corvane 35, leather case', 4100],
  ['field-glasses', 'brackenmoor', 'Corvane 8x30 field glasses with case', 3200],
  ['tray', 'lanternyard', 'Enamel tray, speckled, blue rim', 1400],
  ['tray', 'nearstile', 'Speckled enamel tray with a blue rim', 1200],
  ['jug', 'lanternyard', 'Enamel jug, speckled, blue rim', 1600],
  ['jug', 'nearstile', 'Speckled enamel jug with blue rim', 1500],
  ['boots', 'brackenmoor', 'Tarn & Sons brown leather walking boots 42', 5400],
  ['boots', 'threadwick', 'Tarn & Sons leather boots, brown, 42', 5900],
  ['boots-44', 'threadwick', 'Tarn & Sons leather boots, brown, 44', 5900],
  ['atlas', 'quirestack', 'The Tidal Atlas', 900, { barcode: '9780306406157' }],
  ['atlas', 'brackenmoor', 'Book: Tidal Atlas, hardback, charts', 1100, { barcode: '0306406152' }],
  ['record', 'quirestack', 'Low Water', 1200, { barcode: '4006381333931' }],
  ['record', 'brackenmoor', 'LP vinyl The Breakwater Five Low Water', 1500, { barcode: '4006381333931' }],
  ['coded', 'brackenmoor', 'Mystery box handle', 900, { ref: 'OLD-0417' }],
  ['coded', 'lanternyard', 'Carved handle, unknown use', 1000, { ref: 'old-0417' }],
  ['cords', 'brackenmoor', 'Marrow & Pike wide corduroy trousers rust W34', 3600],
  ['cords', 'threadwick', 'Marrow & Pike wide cords, rust, W34', 3900],
  ['cords-32', 'threadwick', 'Marrow & Pike wide cords, rust, W32', 3900],
  ['blanket', 'brackenmoor', 'Welsh-style tapestry blanket double weave red and grey', 9800],
  ['blanket', 'oldhollow', 'Tapestry blanket, double weave, red and grey', 11_000],
  ['blanket-green', 'oldhollow', 'Tapestry blanket, double weave, green and cream', 11_500],
  ['clock', 'oldhollow', 'Slate mantel clock, runs, 1890s', 14_000],
  ['clock', 'nearstile', 'Mantel clock, slate, running', 12_000],
  ['toy', 'oldhollow', 'Tinplate crane, wind-up, working', 3600],
  ['toy', 'brackenmoor', 'Wind up tinplate crane toy working order', 3400],
  ['puzzle', 'quirestack', 'Harbour at Dusk', 700, { barcode: '5901234123457' }],
  ['puzzle', 'nearstile', 'Jigsaw Harbour at Dusk 1000 pieces', 600],
];

export interface Labelled {
  /** Which thing it is, as a person judged. */
  thing: string;
  sighting: Sighting;
}

export const LABELLED_LISTINGS: readonly Labelled[] = LISTINGS.map(([thing, market, title, price, more], i) => ({
  thing,
  sighting: { id: `l${i}`, market, ref: `ref${i}x`, title, barcode: '', price, prints: [], ...more },
})); // prettier-ignore
