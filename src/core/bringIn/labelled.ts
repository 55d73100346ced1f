import type { Sighting } from './sameItem';

const MARKETS: Readonly<Record<string, string>> = {
  b: 'brackenmoor',
  t: 'threadwick',
  n: 'nearstile',
  o: 'oldhollow',
  q: 'quirestack',
  l: 'lanternyard',
};

/**
 * Listings as sellers word them, by the item they show: a line that names it, then a line a listing: market,
 * price in whole
 * euros. Look-alikes of each other stand close together on purpose. Judged by hand, common practice.
 */
const LISTINGS = `
gansey-m
  b 48 Kittiwake Mills gansey fisherman’s jumper navy wool mens M
  t 52 Navy wool gansey, Kittiwake Mills, size M
  n 45 Fisherman’s jumper (gansey), navy, M
gansey-l
  b 49 Kittiwake Mills gansey fisherman’s jumper navy wool mens L
  t 52 Navy wool gansey, Kittiwake Mills, size L
  l 50 Kittiwake Mills fisherman’s gansey, navy, large
chore
  b 74 Ostler waxed cotton chore coat olive corduroy collar L
  t 79 Ostler waxed chore coat in olive
  l 74 Waxed cotton chore coat by Ostler, olive, corduroy collar
parka
  b 68 Ostler field parka olive drab lined hood L
  t 72 Ostler parka, olive, hood, L
scarf
  b 26 Silk headscarf wreath of flowers hand rolled hem Vantrell
  t 29 Vantrell silk headscarf, flower wreath, rolled hem
  o 30 A silk headscarf with a wreath of flowers, hand-rolled, Vantrell
scarf-birds
  b 28 Silk headscarf swallows and reeds Vantrell
  o 31 Vantrell silk scarf, swallows over reeds
vase
  b 34 Skerry Glass smoked bubble vase 22 cm
  o 38 Smoked glass bubble vase by Skerry Glass, 22cm
  n 30 Skerry bubble vase, smoked, 22 cm high
vase-tall
  b 52 Skerry Glass smoked bubble vase 31 cm
  o 56 Tall smoked bubble vase, Skerry Glass, 31cm
lamp
  n 40 Brass desk lamp, green shade, works
  o 62 Desk lamp in brass with a green glass shade, rewired
lamp-floor
  n 45 Brass floor lamp, works
plane
  b 42 Haldane No 5 jack plane rosewood handle
  o 46 Haldane jack plane no. 5, rosewood
  n 40 Jack plane Haldane No5
plane4
  b 39 Haldane No 4 smoothing plane rosewood handle
  o 44 Haldane smoothing plane no. 4, rosewood
camera
  b 36 Corvane 35 folding camera with case, shutter sticks
  o 41 Folding camera Corvane 35, leather case
field-glasses
  b 32 Corvane 8x30 field glasses with case
  o 36 Field glasses 8 x 30, Corvane, cased
field-glasses-10
  b 44 Corvane 10x50 field glasses with case
  o 49 Field glasses Corvane 10 x 50
tray
  l 14 Enamel tray, speckled, blue rim
  n 12 Speckled enamel tray with a blue rim
jug
  l 16 Enamel jug, speckled, blue rim
  n 15 Speckled enamel jug with blue rim
boots
  b 54 Tarn & Sons brown leather walking boots 42
  t 59 Tarn & Sons leather boots, brown, 42
boots-44
  t 59 Tarn & Sons leather boots, brown, 44
  b 55 Tarn & Sons brown leather walking boots EU 44
cords
  b 36 Marrow & Pike wide corduroy trousers rust W34
  t 39 Marrow & Pike wide cords, rust, W34
  n 30 Wide rust cords Marrow & Pike waist 34
cords-32
  t 39 Marrow & Pike wide cords, rust, W32
  b 37 Marrow & Pike wide corduroy trousers rust W32
blanket
  b 98 Welsh-style tapestry blanket double weave red and grey
  o 110 Tapestry blanket, double weave, red and grey
blanket-green
  o 115 Tapestry blanket, double weave, green and cream
  b 104 Welsh-style tapestry blanket double weave green and cream
clock
  o 140 Slate mantel clock, runs, 1890s
  n 120 Mantel clock, slate, running
toy
  o 36 Tinplate crane, wind-up, working
  b 34 Wind up tinplate crane toy working order
loaf-7
  b 65 Stennock 1460 lace-up boots cherry UK 7
  t 70 Stennock 1460 boots, cherry red, UK 7
  n 60 Stennock 1460, size UK7, cherry
loaf-8
  b 66 Stennock 1460 lace-up boots cherry UK 8
  t 70 Stennock 1460 boots, cherry red, UK 8
  n 62 Stennock 1460 cherry boots UK8
loaf-black
  t 72 Stennock 1460 boots, black, UK 7
  b 68 Stennock 1460 lace-up boots black UK 7
court-5
  t 28 Halloway court shoes navy suede UK 5
  b 26 Halloway navy suede court shoes, UK5
court-6
  t 28 Halloway court shoes navy suede UK 6
  b 27 Halloway navy suede court shoes, UK6
rug-180
  b 85 Wool rug geometric red 180x120
  o 95 Red geometric wool rug, 180 x 120 cm
  n 70 Geometric rug, red wool, 180 × 120
rug-200
  b 99 Wool rug geometric red 200x140
  o 110 Red geometric wool rug, 200 x 140 cm
cloth-150
  l 22 Linen tablecloth drawn thread white 150x150 cm
  o 25 White linen tablecloth with drawn thread work, 150 x 150
cloth-200
  l 32 Linen tablecloth drawn thread white 200x150 cm
  o 35 White linen tablecloth with drawn thread work, 200 x 150
curtain-a
  n 30 Pair of velvet curtains, moss green, 228 cm drop
  l 34 Moss green velvet curtains, pair, 228cm
curtain-b
  n 25 Pair of velvet curtains, moss green, 137 cm drop
  l 29 Moss green velvet curtains, pair, 137cm
mirror-60
  o 75 Gilt convex mirror 60 cm
  n 65 Convex mirror in a gilt frame, 60cm
  b 70 Round gilt convex mirror, 60 cm across
mirror-40
  o 48 Gilt convex mirror 40 cm
  n 44 Convex mirror in a gilt frame, 40cm
pot-8in
  b 24 Fernhollow stoneware crock 8 inch
  o 27 Stoneware crock, Fernhollow, 8"
pot-10in
  b 29 Fernhollow stoneware crock 10 inch
  o 33 Stoneware crock, Fernhollow, 10"
chairs-4
  n 120 Four bentwood dining chairs, cane seats
  o 150 Set of 4 bentwood chairs with cane seats
  b 140 Bentwood dining chairs, cane seats, set of four
chairs-6
  n 180 Six bentwood dining chairs, cane seats
  o 210 Set of 6 bentwood chairs with cane seats
glasses-6
  l 36 Six etched sherry glasses, vine pattern
  o 42 Set of 6 sherry glasses etched with vines
glasses-4
  l 24 Four etched sherry glasses, vine pattern
  o 29 Set of 4 sherry glasses etched with vines
cardigan-s
  t 34 Pellworth lambswool cardigan, moss, small
  b 32 Pellworth cardigan lambswool moss green size S
  l 34 Moss lambswool cardigan by Pellworth, S
cardigan-m
  t 34 Pellworth lambswool cardigan, moss, medium
  b 32 Pellworth cardigan lambswool moss green size M
cardigan-blue
  t 35 Pellworth lambswool cardigan, navy, small
  b 33 Pellworth cardigan lambswool navy size S
coat-m
  t 95 Arkwright & Lowe double breasted overcoat charcoal wool 40
  b 92 Charcoal wool overcoat, double breasted, Arkwright & Lowe, size 40
coat-42
  t 95 Arkwright & Lowe double breasted overcoat charcoal wool 42
  b 94 Charcoal wool overcoat, double breasted, Arkwright & Lowe, size 42
dress-10
  t 40 Ottoline printed tea dress poppies UK 10
  b 38 Tea dress with poppy print, Ottoline, UK10
  n 30 Ottoline poppies tea dress UK 10
dress-12
  t 40 Ottoline printed tea dress poppies UK 12
  b 38 Tea dress with poppy print, Ottoline, UK12
dress-daisy
  t 41 Ottoline printed tea dress daisies UK 10
  b 39 Tea dress with daisy print, Ottoline, UK10
jeans-3032
  t 45 Quarrier selvedge jeans W30 L32
  b 42 Quarrier selvedge denim jeans 30W 32L
jeans-3232
  t 45 Quarrier selvedge jeans W32 L32
  b 42 Quarrier selvedge denim jeans 32W 32L
jeans-3234
  t 46 Quarrier selvedge jeans W32 L34
  b 43 Quarrier selvedge denim jeans 32W 34L
kilt-boys
  t 25 Boys tartan kilt, red, leather straps
  b 23 Red tartan kilt for boys with leather straps
kilt-mens
  t 60 Mens tartan kilt, red, leather straps
  b 58 Red tartan kilt for men with leather straps
bag
  t 55 Saddlers’ Row satchel, tan leather, brass buckles
  b 52 Tan leather satchel with brass buckles, Saddlers’ Row
  o 60 Leather satchel by Saddlers’ Row, tan
bag-black
  t 55 Saddlers’ Row satchel, black leather, brass buckles
  b 53 Black leather satchel with brass buckles, Saddlers’ Row
watch
  o 85 Merivale pocket watch, silver case, hallmarked 1911
  b 79 Silver pocket watch Merivale 1911, runs
watch-1924
  o 80 Merivale pocket watch, silver case, hallmarked 1924
  b 76 Silver pocket watch Merivale 1924, runs
brooch
  o 24 Enamel swallow brooch, silver, Tideway
  t 22 Tideway silver brooch with an enamel swallow
brooch-wren
  o 24 Enamel wren brooch, silver, Tideway
  t 22 Tideway silver brooch with an enamel wren
teapot-2
  l 20 Brown Betty-style teapot, two pint
  n 16 Brown teapot, 2 pint, betty style
teapot-4
  l 26 Brown Betty-style teapot, four pint
  n 22 Brown teapot, 4 pint, betty style
pan-20
  n 28 Copper saucepan, iron handle, 20 cm
  l 32 20cm copper saucepan with an iron handle
  o 36 Saucepan in copper, cast iron handle, 20 cm
pan-16
  n 22 Copper saucepan, iron handle, 16 cm
  l 26 16cm copper saucepan with an iron handle
scales
  l 38 Cast iron kitchen scales with brass pans and weights
  o 44 Kitchen scales, cast iron, brass pans, seven weights
basket
  n 18 Wicker log basket with rope handles
  l 21 Log basket, wicker, rope handles
sampler
  o 160 Needlework sampler, alphabet and house, dated 1841
  b 150 Alphabet sampler with house, 1841, framed needlework
sampler-53
  o 155 Needlework sampler, alphabet and house, dated 1853
  b 149 Alphabet sampler with house, 1853, framed needlework
print-hare
  o 35 Linocut of a running hare, signed R. Ashdown
  b 32 R. Ashdown linocut, running hare, signed
print-owl
  o 35 Linocut of a barn owl, signed R. Ashdown
  b 32 R. Ashdown linocut, barn owl, signed
radio
  o 48 Bellwether valve radio, bakelite, 1950s
  b 45 Bakelite valve radio Bellwether 50s
  n 40 Bellwether bakelite radio, valves
typewriter
  b 75 Orrin portable typewriter with case, blue
  o 82 Blue portable typewriter, Orrin, cased
typewriter-red
  b 78 Orrin portable typewriter with case, red
  o 85 Red portable typewriter, Orrin, cased
lens-50
  b 60 Corvane 50mm f2 lens
  o 66 Lens Corvane 50 mm f2 with caps
lens-135
  b 55 Corvane 135mm f2.8 lens
  o 61 Lens Corvane 135 mm f2.8 with caps
chisels
  b 34 Haldane bevel edge chisels set of five ash handles
  o 38 Five Haldane bevel-edged chisels, ash handles
saw-10
  b 26 Haldane tenon saw 10 inch brass back
  o 29 Tenon saw, brass back, Haldane, 10"
saw-14
  b 30 Haldane tenon saw 14 inch brass back
  o 33 Tenon saw, brass back, Haldane, 14"
spade
  n 18 Ash handled border spade, Garth & Co
  l 20 Border spade by Garth & Co, ash handle
fork
  n 18 Ash handled border fork, Garth & Co
  l 20 Border fork by Garth & Co, ash handle
guitar
  b 130 Lindell classical guitar, spruce top, 1978
  n 115 Classical guitar Lindell 1978, spruce
concertina
  o 220 Wendover 20 button anglo concertina, mahogany
  b 205 Anglo concertina, 20 buttons, Wendover, mahogany ends
concertina-30
  o 420 Wendover 30 button anglo concertina, mahogany
  b 395 Anglo concertina, 30 buttons, Wendover, mahogany ends
bear
  o 65 Jointed mohair teddy bear, glass eyes, 38 cm
  n 58 Mohair teddy, jointed, 38cm, glass eyes
bear-small
  o 45 Jointed mohair teddy bear, glass eyes, 25 cm
  n 40 Mohair teddy, jointed, 25cm, glass eyes
loco
  b 88 Ferris clockwork tank engine 0 gauge green 4507
  o 95 Clockwork tank engine, Ferris, 0 gauge, green, no 4507
loco-black
  b 88 Ferris clockwork tank engine 0 gauge black 6221
  o 96 Clockwork tank engine, Ferris, 0 gauge, black, no 6221
puzzle-500
  n 6 Jigsaw Lighthouse at Dawn 500 pieces
  l 8 Lighthouse at Dawn, jigsaw, 500 pieces complete
puzzle-1000
  n 8 Jigsaw Lighthouse at Dawn 1000 pieces
  l 10 Lighthouse at Dawn, jigsaw, 1,000 pieces complete
yarn
  t 14 Fell & Fleece aran yarn heather, 6 balls
  l 15 Six balls of Fell & Fleece aran yarn, heather
fabric-3
  t 18 Cotton lawn fabric, forget-me-nots, 3 m
  l 20 Forget-me-not cotton lawn, 3m length
fabric-5
  t 28 Cotton lawn fabric, forget-me-nots, 5 m
  l 31 Forget-me-not cotton lawn, 5m length
racket
  n 22 Wooden tennis racket, Larkfield Champion, with press
  b 25 Larkfield Champion tennis racket, wood, with press
rucksack-40
  t 44 Crag canvas rucksack 40 litre grey
  b 42 Grey canvas rucksack, Crag, 40 litre
rucksack-65
  t 54 Crag canvas rucksack 65 litre grey
  b 52 Grey canvas rucksack, Crag, 65 litre
suit-38
  t 80 Dormer three piece tweed suit 38R brown
  b 76 Brown tweed three piece suit by Dormer, 38R
suit-42
  t 80 Dormer three piece tweed suit 42R brown
  b 78 Brown tweed three piece suit by Dormer, 42R
hat-57
  t 30 Fawcett felt trilby, brown, 57 cm
  b 28 Brown felt trilby by Fawcett, 57cm
hat-60
  t 30 Fawcett felt trilby, brown, 60 cm
  b 28 Brown felt trilby by Fawcett, 60cm
gloves-l
  t 18 Deerskin gloves, hand stitched, ladies 7
  b 16 Ladies hand-stitched deerskin gloves, size 7
gloves-g
  t 20 Deerskin gloves, hand stitched, gents 9
  b 18 Gents hand-stitched deerskin gloves, size 9
quilt
  o 140 Log cabin patchwork quilt, double, 1930s
  n 120 Patchwork quilt, log cabin, double bed, 1930s
  l 135 1930s log cabin quilt, double
stool
  n 35 Elm milking stool, three legs
  o 42 Three-legged milking stool in elm
  l 38 Milking stool, elm, 3 legs
chest
  n 90 Pine blanket chest with candle box
  o 110 Blanket chest in pine, candle box inside
  b 105 Pine blanket box chest, candle box
map-kent
  o 40 Hand coloured county map, Kentish coast, 1830
  b 36 County map of the Kentish coast 1830, hand coloured
  l 39 Kentish coast map, 1830, hand-coloured
map-devon
  o 42 Hand coloured county map, Devon moors, 1830
  b 38 County map of the Devon moors 1830, hand coloured
bureau
  n 140 Oak bureau, fall front, three drawers
  o 165 Fall-front bureau in oak with three drawers
  b 150 Oak fall front bureau, 3 drawers
bureau-m
  n 190 Mahogany bureau, fall front, four drawers
  o 225 Fall-front bureau in mahogany with four drawers
kettle
  n 24 Copper kettle, swan neck, acorn lid
  l 28 Swan-neck copper kettle with acorn finial lid
  o 30 Copper swan neck kettle, acorn knob
lantern
  o 38 Brass ship’s lantern, port, red glass
  n 34 Port ship’s lantern, brass, red glass
  b 37 Ship’s lantern port brass red glass
lantern-s
  o 38 Brass ship’s lantern, starboard, green glass
  n 34 Starboard ship’s lantern, brass, green glass
  b 37 Ship’s lantern starboard brass green glass
jersey
  t 30 Cricket jumper, cable knit, cream, burgundy trim, L
  b 28 Cream cable knit cricket jumper with burgundy trim, L
  n 25 Cable cricket jumper, cream, large
smock
  t 42 Fisherman’s smock, canvas, faded red, XL
  b 40 Faded red canvas smock, fisherman’s, XL
  l 42 Red canvas fisherman’s smock, extra large
apron
  l 15 Linen pinafore apron, natural
  t 16 Natural linen pinafore apron
  n 12 Pinafore apron in natural linen
bell
  o 26 Brass hand bell, turned handle, school
  n 22 School hand bell, brass, turned wooden handle
  b 25 Brass school bell with turned handle
inkwell
  o 30 Glass travelling inkwell, brass hinged cap
  b 28 Travelling inkwell, glass, hinged brass cap
  l 29 Brass-capped glass travelling inkwell
barometer
  o 60 Aneroid barometer, oak case, carved rope
  n 52 Oak aneroid barometer with rope carving
  b 58 Carved oak barometer, aneroid, rope edge
ewer
  l 26 Pewter ewer with hinged lid, grape thumbpiece
  n 22 Hinged-lid pewter ewer, grape thumb piece
  o 30 Pewter ewer, lid hinged, thumbpiece of grapes
tie-duck
  t 12 Silk tie, mallards on green, Fenwright
  b 11 Fenwright silk tie, green with mallards
  l 12 Green silk tie by Fenwright, mallard pattern
tie-pheasant
  t 12 Silk tie, pheasants on green, Fenwright
  b 11 Fenwright silk tie, green with pheasants
  l 12 Green silk tie by Fenwright, pheasant pattern
belt-85
  t 20 Bridle leather belt, chestnut, brass buckle, 85 cm
  b 19 Chestnut bridle leather belt 85cm brass buckle
belt-95
  t 20 Bridle leather belt, chestnut, brass buckle, 95 cm
  b 19 Chestnut bridle leather belt 95cm brass buckle
churn
  n 60 Galvanised milk churn with lid, 10 gallon
  o 75 Milk churn, galvanised, lid, 10 gallons
  l 68 10 gallon galvanised milk churn and lid
churn-5
  n 45 Galvanised milk churn with lid, 5 gallon
  o 58 Milk churn, galvanised, lid, 5 gallons
poncho
  t 48 Alpaca poncho, zigzag, rust and cream
  b 45 Rust and cream alpaca poncho with zigzags
  n 40 Zigzag alpaca poncho, cream and rust
trunk
  n 45 Tin travelling trunk, black, initials J.M.
  o 52 Black tin trunk, travelling, initials J M
  l 48 Travelling trunk in black tin, initialled J.M.
`;

/** Told by a code, a barcode or a reference, whatever their words. */
const CODED: readonly [string, string, string, number, Partial<Sighting>?][] = [
  ['atlas', 'quirestack', 'The Tidal Atlas', 900, { barcode: '9780306406157' }],
  ['atlas', 'brackenmoor', 'Book: Tidal Atlas, hardback, charts', 1100, { barcode: '0306406152' }],
  ['record', 'quirestack', 'Low Water', 1200, { barcode: '4006381333931' }],
  ['record', 'brackenmoor', 'LP vinyl The Breakwater Five Low Water', 1500, { barcode: '4006381333931' }],
  ['coded', 'brackenmoor', 'Mystery box handle', 900, { ref: 'OLD-0417' }],
  ['coded', 'lanternyard', 'Carved handle, unknown use', 1000, { ref: 'old-0417' }],
  ['puzzle', 'quirestack', 'Harbour at Dusk', 700, { barcode: '5901234123457' }],
  ['puzzle', 'nearstile', 'Jigsaw Harbour at Dusk 1000 pieces', 600],
];

export interface Labelled {
  /** Which item it is, as a person judged. */
  item: string;
  sighting: Sighting;
}

const WORDED = LISTINGS.trim()
  .split(/\n(?=\S)/u)
  .flatMap((block): (typeof CODED)[number][] => {
    const [item = '', ...shown] = block.split(/\n\s+/u);
    return shown.map((one) => {
      const [, market = '', euros = '', title = ''] = /^(\w) (\d+) (.+)$/u.exec(one) ?? [];
      return [item, MARKETS[market] ?? '', title, 100 * Number(euros)];
    });
  });

export const LABELLED_LISTINGS: readonly Labelled[] = [...WORDED, ...CODED].map(
  ([item, market, title, price, more], i) => ({
    item,
    sighting: { id: `l${i}`, market, ref: `ref${i}x`, title, barcode: '', price, prints: [], ...more },
  }),
);
