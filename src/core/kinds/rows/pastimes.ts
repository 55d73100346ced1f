import * as f from '../facts';
import * as m from '../measures';
import type { KindRow } from '../spec';

/** Things to read, hear, play, collect and make with. */
// prettier-ignore
export const PASTIMES: readonly KindRow[] = [
  { id: 'electronics', parent: null, name: 'Cameras and electronics', titleWords: 'appliance', facts: [{ ...f.maker, need: 'required' }, f.model, f.works, f.power, { ...f.colour, need: 'optional' }, f.decade], measures: [m.width, m.height, m.depth], flaws: ['scratched', 'not tested', 'missing lead', 'worn finish'], places: ['front', 'back', 'body', 'screen', 'lead'], details: ['number', 'connections'], parcelG: 1500 },
  { id: 'camera', parent: 'electronics', name: 'Camera', titleWords: 'camera', alsoCalled: ['folding camera', 'plate camera'], without: ['power'], facts: [{ id: 'film', label: 'Film it takes', choices: ['Plate', '120', '127', '35 mm'] }], flaws: ['pinholes in bellows', 'shutter sticks', 'fungus in lens', 'scratched', 'not tested'], places: ['lens', 'bellows', 'body', 'viewfinder', 'strap'], details: ['lens', 'number'], parcelG: 1100 },
  { id: 'lens', parent: 'camera', name: 'Lens', facts: [f.ask('mount', 'Mount'), f.ask('focal', 'Focal length', { type: 'number', unit: 'mm' })], without: ['film'], measures: [m.edgeLength, m.diameter], flaws: ['fungus', 'haze', 'scratch', 'stiff focus'], places: ['front lens', 'rear lens', 'barrel'], details: ['front lens', 'rear lens'], parcelG: 600 },
  { id: 'glasses', parent: 'electronics', name: 'Opera glasses or binoculars', titleWords: 'opera glasses', alsoCalled: ['opera glasses', 'binoculars', 'telescope'], facts: [f.stuff], without: ['power', 'works'], measures: [m.width, m.height], flaws: ['dim', 'stiff focus', 'worn finish', 'cracked lens'], places: ['left lens', 'right lens', 'wheel', 'body'], details: ['lenses', 'case'], parcelG: 600 },
  { id: 'radio', parent: 'electronics', name: 'Radio', alsoCalled: ['wireless', 'receiver'], details: ['dial', 'back'], parcelG: 3000 },
  { id: 'recordPlayer', parent: 'electronics', name: 'Record player', alsoCalled: ['turntable', 'gramophone'], details: ['needle', 'platter'], parcelG: 6000 },
  { id: 'typewriter', parent: 'electronics', name: 'Typewriter', flaws: ['sticking key', 'dry ribbon', 'worn case'], places: ['keys', 'carriage', 'case'], details: ['keys', 'type sample'], parcelG: 6500 },
  { id: 'headphones', parent: 'electronics', name: 'Headphones', parcelG: 500 },
  { id: 'phone', parent: 'electronics', name: 'Telephone', alsoCalled: ['phone', 'handset'], parcelG: 1200 },
  { id: 'computer', parent: 'electronics', name: 'Computer or calculator', titleWords: 'computer', alsoCalled: ['computer', 'laptop', 'calculator', 'tablet'], facts: [f.ask('memory', 'Memory')], parcelG: 3000 },

  { id: 'books', parent: null, name: 'Books and paper', titleWords: 'book', modelIsName: true, facts: [f.titleOf('book'), f.author, f.publisher, f.binding, f.year, f.language, f.edition, f.decade], measures: [m.height, m.width, m.depth], flaws: ['foxing', 'torn jacket', 'name inside', 'loose page', 'sunned spine'], places: ['cover', 'spine', 'endpapers', 'pages', 'jacket'], details: ['spine', 'title page'], stance: 'tall', parcelG: 500 },
  { id: 'book', parent: 'books', name: 'Book', useWord: 'read', alsoCalled: ['field guide', 'novel', 'paperback'] },
  { id: 'childBook', parent: 'books', name: 'Children’s book', useWord: 'read', facts: [f.age] },
  { id: 'map', parent: 'books', name: 'Map or atlas', titleWords: 'map', alsoCalled: ['map', 'atlas', 'chart'], facts: [f.titleOf('map'), { ...f.author, need: 'optional' }], without: ['binding'], places: ['folds', 'edge', 'cover'], details: ['folds'], stance: null },
  { id: 'magazine', parent: 'books', name: 'Magazine', useWord: 'read', alsoCalled: ['comic', 'newspaper', 'annual'], facts: [f.titleOf('magazine'), f.ask('issue', 'Issue'), { ...f.author, need: 'optional' }], without: ['binding', 'edition'] },
  { id: 'sheetMusic', parent: 'books', name: 'Sheet music', alsoCalled: ['score', 'songbook'], facts: [f.ask('author', 'Composer', { need: 'required' })], without: ['binding'] },

  { id: 'music', parent: null, name: 'Music and film', useWord: 'played', titleWords: 'recording', modelIsName: true, facts: [f.titleOf('recording'), f.artist, f.ask('brand', 'Label'), f.ask('catalogue', 'Catalogue number'), f.year, f.ask('genre', 'Sort of music', { several: true })], measures: [], flaws: ['scratch', 'warped', 'worn sleeve', 'writing on label'], places: ['side one', 'side two', 'sleeve', 'label'], details: ['label', 'sleeve back'], parcelG: 400 },
  { id: 'record', parent: 'music', name: 'Record', alsoCalled: ['vinyl', 'shellac'], facts: [f.format('12 inch', '10 inch', '7 inch'), f.ask('speed', 'Turns a minute', { choices: ['33⅓', '45', '78'] })] },
  { id: 'cassette', parent: 'music', name: 'Cassette', parcelG: 150 },
  { id: 'cd', parent: 'music', name: 'Compact disc', alsoCalled: ['cd'], parcelG: 150 },
  { id: 'film', parent: 'music', name: 'Film', alsoCalled: ['video', 'disc', 'film reel'], facts: [f.titleOf('film'), f.ask('author', 'Director'), f.format('Disc', 'Tape', 'Reel'), f.ask('brand', 'Studio'), f.language], without: ['genre', 'catalogue'], parcelG: 200 },

  { id: 'games', parent: null, name: 'Games and toys', useWord: 'played', titleWords: 'game', facts: [f.maker, f.model, f.material('Wood', 'Card', 'Tin', 'Plush'), f.age, f.decade], measures: [m.width, m.height], flaws: ['piece missing', 'box worn', 'split corner'], places: ['box', 'lid', 'pieces'], details: ['box', 'pieces counted'], parcelG: 900 },
  { id: 'jigsaw', parent: 'games', name: 'Jigsaw', titleWords: 'jigsaw puzzle', alsoCalled: ['jigsaw puzzle', 'puzzle'], facts: [f.piecesFree] },
  { id: 'boardGame', parent: 'games', name: 'Board game', alsoCalled: ['chess', 'draughts'], facts: [f.ask('players', 'Players'), f.language] },
  { id: 'cardGame', parent: 'games', name: 'Cards or dice', titleWords: 'card game', alsoCalled: ['cards', 'dice', 'dominoes'], facts: [f.piecesFree], parcelG: 300 },
  { id: 'videoGame', parent: 'games', name: 'Video game', alsoCalled: ['cartridge', 'console'], facts: [f.ask('system', 'System it runs on', { need: 'required' }), f.works], details: ['disc or cartridge', 'booklet'], parcelG: 300 },
  { id: 'doll', parent: 'games', name: 'Doll or soft toy', useWord: 'used', titleWords: 'doll', alsoCalled: ['doll', 'teddy', 'bear', 'plush'], flaws: ['worn patch', 'missing eye', 'stain', 'loose limb'], places: ['face', 'arm', 'leg', 'clothes'], details: ['face', 'mark'], stance: 'tall' },
  { id: 'modelToy', parent: 'games', name: 'Model or train', useWord: 'used', titleWords: 'model', alsoCalled: ['train', 'toy car', 'locomotive', 'kit', 'aeroplane'], facts: [f.ask('scale', 'Scale'), f.works], flaws: ['chipped paint', 'missing part', 'not tested'], places: ['front', 'wheels', 'roof', 'base'], details: ['base', 'wheels'], stance: 'wide' },
  { id: 'buildingSet', parent: 'games', name: 'Building set', useWord: 'used', alsoCalled: ['bricks', 'blocks', 'construction'], facts: [f.piecesFree] },

  { id: 'collectables', parent: null, name: 'Collectables', titleWords: 'collectable', facts: [f.maker, f.model, f.decade, f.ask('subject', 'Subject', { several: true })], measures: [m.width, m.height], flaws: ['crease', 'tear', 'foxing', 'writing'], places: ['front', 'back', 'edge', 'corner'], details: ['back'], parcelG: 150 },
  { id: 'stamp', parent: 'collectables', name: 'Stamps', alsoCalled: ['stamp album', 'first day cover'] },
  { id: 'coin', parent: 'collectables', name: 'Coins or medals', titleWords: 'coin', alsoCalled: ['coin', 'medal', 'token', 'banknote'], facts: [f.metal, f.year], measures: [m.diameter], flaws: ['worn', 'cleaned', 'edge knock'], details: ['edge'] },
  { id: 'postcard', parent: 'collectables', name: 'Postcards and paper', titleWords: 'postcard', alsoCalled: ['postcard', 'photograph', 'ticket', 'poster', 'ephemera'] },
  { id: 'badge', parent: 'collectables', name: 'Badge', alsoCalled: ['enamel badge', 'patch'], details: ['pin'] },
  { id: 'sign', parent: 'collectables', name: 'Sign or tin', titleWords: 'sign', alsoCalled: ['sign', 'advertising tin', 'plaque'], flaws: ['rust', 'chip', 'fading', 'dent'], parcelG: 1500 },

  { id: 'craft', parent: null, name: 'Craft', titleWords: 'craft supplies', facts: [f.maker, f.material('Wool', 'Cotton', 'Silk', 'Linen'), f.colour, f.ask('amount', 'How much')], measures: [m.width, m.edgeLength], flaws: ['moth', 'fading', 'stain', 'incomplete'], places: ['edge', 'centre', 'box'], details: ['label'], parcelG: 500 },
  { id: 'yarn', parent: 'craft', name: 'Yarn or thread', titleWords: 'yarn', alsoCalled: ['yarn', 'thread', 'embroidery'], facts: [f.ask('weight', 'Weight', { type: 'number', unit: 'g' })] },
  { id: 'fabric', parent: 'craft', name: 'Fabric', alsoCalled: ['remnant', 'cloth'], facts: [f.pattern] },
  { id: 'sewingMachine', parent: 'craft', name: 'Sewing machine', facts: [f.works, f.power, { ...f.colour, need: 'optional' }], without: ['amount', 'material'], measures: [m.width, m.height, m.depth], details: ['number', 'needle'], parcelG: 12000 },
  { id: 'paperPattern', parent: 'craft', name: 'Sewing or knitting pattern', alsoCalled: ['sewing pattern', 'knitting pattern'], facts: [f.letterSizes, { ...f.colour, need: 'optional' }], without: ['amount'], parcelG: 100 },
  { id: 'buttons', parent: 'craft', name: 'Buttons and trimmings', titleWords: 'buttons', alsoCalled: ['buttons', 'lace', 'ribbon', 'buckles'], facts: [f.pieces], parcelG: 150 },

  { id: 'sport', parent: null, name: 'Sport and outdoor', titleWords: 'sports gear', facts: [f.maker, f.model, f.material('Wood', 'Steel', 'Canvas', 'Carbon'), { ...f.size('S', 'M', 'L'), need: 'wanted' }, { ...f.colour, need: 'wanted' }], measures: [m.endToEnd, m.width], flaws: ['worn grip', 'scratch', 'tear', 'rust'], places: ['grip', 'frame', 'edge', 'strap'], details: ['mark', 'wear'], parcelG: 2500 },
  { id: 'bicycle', parent: 'sport', name: 'Bicycle or part', titleWords: 'bicycle', alsoCalled: ['bicycle', 'bike', 'saddle'], facts: [f.ask('frame', 'Frame size', { type: 'number', unit: 'cm' })], parcelG: 15000 },
  { id: 'racket', parent: 'sport', name: 'Racket, bat or club', titleWords: 'racket', alsoCalled: ['racket', 'bat', 'club', 'stick'] },
  { id: 'tent', parent: 'sport', name: 'Camping', titleWords: 'camping gear', alsoCalled: ['tent', 'stove', 'sleeping bag', 'flask'], measures: [m.width, m.edgeLength, m.height] },
  { id: 'fishing', parent: 'sport', name: 'Fishing', titleWords: 'fishing tackle', alsoCalled: ['rod', 'reel', 'lure'] },
  { id: 'winterSport', parent: 'sport', name: 'Skates and skis', titleWords: 'skates', alsoCalled: ['skates', 'skis', 'sledge'] },

  { id: 'instruments', parent: null, name: 'Musical instruments', useWord: 'played', titleWords: 'instrument', facts: [{ ...f.maker, need: 'required' }, f.model, f.material('Wood', 'Brass', 'Nickel'), f.tuning, f.works, f.decade], measures: [m.edgeLength, m.width], flaws: ['crack', 'dent', 'missing string', 'worn pads', 'stiff key'], places: ['body', 'neck', 'keys', 'bell', 'case'], details: ['label inside', 'case'], stance: null, parcelG: 3500 },
  { id: 'guitar', parent: 'instruments', name: 'Guitar or banjo', titleWords: 'guitar', alsoCalled: ['guitar', 'banjo', 'mandolin', 'ukulele'], measures: [m.edgeLength, m.width, m.scaleLength], parcelG: 5000 },
  { id: 'fiddle', parent: 'instruments', name: 'Violin or cello', titleWords: 'violin', alsoCalled: ['violin', 'fiddle', 'cello', 'viola', 'bow'], measures: [m.edgeLength, m.width, m.scaleLength] },
  { id: 'squeezebox', parent: 'instruments', name: 'Accordion or concertina', titleWords: 'accordion', alsoCalled: ['accordion', 'concertina', 'melodeon'], flaws: ['leaking bellows', 'stuck key', 'cracked corner'], places: ['bellows', 'keys', 'buttons', 'straps'], parcelG: 6000 },
  { id: 'wind', parent: 'instruments', name: 'Flute, whistle or horn', titleWords: 'flute', alsoCalled: ['flute', 'whistle', 'horn', 'clarinet', 'trumpet', 'recorder'], measures: [m.edgeLength], parcelG: 1500 },
  { id: 'drum', parent: 'instruments', name: 'Drum', alsoCalled: ['bodhrán', 'tambourine', 'cymbal'], measures: [m.diameter, m.height] },
];
