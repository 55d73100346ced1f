import { stemSet } from './stem';

/** What comes after these says something about the item. "of" does too, except behind a quantity. */
export const ABOUT = new Set(
  (
    'about for with by from in on after to without featuring showing depicting of like near at under ' +
    'over against inside per containing including suitable fits inspired'
  ).split(' '),
);
export const QUANTITY = stemSet(`
  pair set lot bundle bag pack packet stack pile collection box number dozen bunch roll length reel spool
  ball piece string strand tin pot half selection assortment quantity group couple trio job mixed few deck
  game case crate sheaf load carton tub joblot bolt yard metre ream sheet service canteen nest volume
  range`);

/** What may stand behind an item's name without changing what it is: colours, stuffs, sizes, ages, states. */
export const MODIFIERS = stemSet(`
  black white red blue green yellow pink purple orange brown grey gray navy beige cream tan ivory gold
  golden silver bronze copper brass pewter maroon burgundy teal turquoise lilac mustard khaki olive rust
  charcoal multicoloured multi coloured colour color dark light pale bright natural clear
  wool woollen cotton linen silk leather suede denim canvas velvet tweed cashmere mohair lace corduroy
  polyester nylon viscose fleece fur oak pine teak mahogany walnut beech elm ash bentwood wicker rattan
  bamboo wood wooden metal steel iron tin enamel ceramic porcelain china pottery stoneware earthenware glass
  crystal plastic bakelite perspex marble stone resin paper card cardboard felt rubber vinyl chrome tinplate
  plush
  striped stripe stripes checked check checks tartan floral flowers spotted spots dots dotty plain patterned
  paisley fairisle herringbone embroidered printed print knit knitted crochet crocheted quilted pleated
  ribbed handmade made painted carved cut pressed blown engraved plated lined waxed
  size small medium large xs s m l xl xxl xxxl uk eu us usa it fr au regular petite tall slim long short
  wide narrow one adult adults mens men women womens ladies lady gents unisex boys girls boy girl kids
  children child baby toddler junior years yrs year old age aged months
  new unused unworn used worn vintage retro antique classic rare mint boxed sealed signed working tested
  untested complete incomplete excellent good great very fair poor condition vgc faulty broken spares repair
  repairs restored refurbished original genuine rep reproduction style type shape era period design designer
  art deco nouveau mid century modern victorian edwardian georgian regency midcentury genuine large huge
  tiny mini miniature giant heavy lightweight folding portable electric electrical automatic cordless
  set pair lot bundle collection job pack no number nos vol volume cm mm m in inch inches ft foot feet kg g
  ml l litre litres oz lb lbs w d h dia diameter high deep piece pieces pcs part x approx circa c early late
  first second third left right double single triple pcs postage free sale wanted stunning lovely beautiful
  gorgeous cute pretty nice unusual quirky superb scarce perfect gift present bargain reduced cheap
  excellent quality top
  scottish irish english welsh french german italian swedish danish dutch japanese chinese indian russian
  american european british
  spring summer autumn winter christmas easter holiday party wedding casual formal smart everyday ski skiing
  january february march april may june july august september october november december 1st 2nd 3rd`);

/** What these end is a part or a companion of the item named before, and not that item. */
export const COMPANIONS = stemSet(`
  strap straps case cases cover covers base bases part parts spares spare cable cables charger chargers
  battery batteries adapter adaptor adapters lead leads bracket brackets handle handles lid lids knob knobs
  filter filters cleaner polish brush brushes ink ribbon needle stylus hanger hangers hook hooks holder
  holders rack racks stand stands tree trees horn horns jack jacks end ends press presses dryer maker
  machine machines board boards sleeve sleeves insert inserts mount mounts liner liners protector protectors
  stretcher stretchers shaper repair remover winder warmer rest rests support supports pad pads tray trays
  guard guards lock locks key keys pump pumps wheel wheels engine motor motors hinge hinges fitting fittings
  screw screws nail nails spray wax oil paint paste glue kit kits accessories accessory box boxes bag bags
  hands hand blade blades bulb bulbs string strings plug plugs socket sockets switch switches fuse fuses
  wire wires pin pins clip clips peg pegs chain chains cord cords rope tape tag tags label labels sticker
  stickers poster paper stool pocket hole stopper cap caps lacing laces insoles insole sole soles heel tips
  tip wrap wraps carrier carriers bar bars rail rails shelf frame frames cage bowl bed beds collar cloth
  display organiser organizer sharpener opener cutter mould slicer timer warmer caddy tidy tin lesson
  lessons class classes course hire service workshop museum shop club ticket tickets voucher fabric pattern
  charm manual catalogue book advert advertisement sign`);

/** Their names are as often what an item is made of or looks like: a name before them counts first. */
export const WEAK = stemSet(`
  glass lace denim knit print cloth tin vinyl model kit set wool patchwork embroidery crystal silver
  square level block top felt material canvas pastel fleece felt card single pearl flat shell polo carver
  wrap trim`);
