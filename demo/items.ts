import type { Flaw, Plan, Item } from '@/contract/records';

import * as clothes from './draw/clothes';
import * as objects from './draw/objects';
import type { Shot, Subject } from './draw/studio';

/** What a buyer writes or offers on a listing's page. */
export interface BuyerSays {
  market: string;
  who: string;
  words?: string;
  euros?: string;
}

/** When the demo world is drawn for; the app moves its days to the day it is opened. */
export const DEMO_NOW = Date.parse('2026-11-21T09:00:00Z');
const HOUR = 3_600_000;

/** One item of the demo world: what is known of it, how it is drawn, and what is to happen with it. */
export interface DemoItem {
  subject: Subject;
  shots: Shot[];
  /** Null: bought alone. */
  haul: 'quayside' | 'fennick' | 'aldous' | null;
  /** Who took it in; absent: one of the two, in turn. */
  by?: string;
  /** Pixels each way of its pictures. */
  side?: number;
  /** Its price has come down a while ago, and it is still here. */
  markedDown?: boolean;
  daysAgo: number;
  item: Partial<Item> & Pick<Item, 'kind' | 'title' | 'description' | 'facts' | 'spot'>;
  /** Marketplaces it is wanted on. */
  wanted: string[];
  /** Send it there when the demo begins. */
  sent?: boolean;
  /** A buyer is quick. */
  boughtOn?: 'brackenmoor';
  /** Buyers who write once it is live. */
  talks?: BuyerSays[];
  /** Where it is promised to somebody. */
  promisedOn?: string;
  /** Own values on a marketplace. */
  own?: Record<string, Partial<Pick<Plan, 'title' | 'price' | 'specifics' | 'auction'>>>;
}

const ALL = ['brackenmoor', 'threadwick', 'nearstile'];
const flaw = (
  id: string,
  type: string,
  place: string,
  severity: Flaw['severity'],
  sizeMm: number | null = null,
): Flaw => ({
  id,
  type,
  place,
  severity,
  sizeMm,
  pictureId: null,
  pin: null,
});
const shots = (detail: [number, number], flawAt: [number, number], more: Shot[] = []): Shot[] => [
  { name: 'front' },
  { name: 'back', side: 'back', tilt: 2 },
  { name: 'detail', zoom: 3, at: detail, tilt: -4 },
  { name: 'flaw', zoom: 3.6, at: flawAt, tilt: 6 },
  ...more,
];

export const DEMO_ITEMS: readonly DemoItem[] = [
  {
    subject: clothes.gansey,
    haul: 'quayside',
    daysAgo: 12,
    wanted: [...ALL, 'lanternyard'],
    sent: true,
    shots: shots([500, 190], [216, 556], [{ name: 'measured', mmPerUnit: 1.42 }]),
    own: { threadwick: { title: 'Kittiwake Mills gansey jumper, navy wool, size M' } },
    talks: [
      { market: 'brackenmoor', who: 'Imke', words: 'Would you take a little less?', euros: '41.00' },
      { market: 'threadwick', who: 'Perrin', words: 'What is it pit to pit, please?' },
    ],
    item: {
      kind: 'jumper',
      title: 'Kittiwake Mills gansey fisherman’s jumper, navy wool, men’s M',
      spot: 'A3-12',
      description:
        'Hand-framed gansey in tightly spun navy wool.\nDarned once at the elbow, neatly, in a ' +
        'lighter blue.\nPit to pit 54 cm, length 68 cm, sleeve 61 cm.',
      facts: {
        brand: 'Kittiwake Mills',
        department: 'Men',
        size: 'M',
        colour: 'Navy',
        material: 'Wool',
        model: 'gansey',
      },
      use: 'light',
      flaws: [flaw('f1', 'darned', 'right elbow', 'clear', 42)],
      measurements: { chest: 540, length: 680, sleeve: 610, shoulder: 460 },
      cost: 600,
      price: 4800,
      weightG: 820,
      offers: { acceptFrom: 4500, refuseUnder: 3500 },
    },
  },
  {
    subject: clothes.choreCoat,
    haul: 'quayside',
    daysAgo: 12,
    wanted: ['brackenmoor', 'threadwick'],
    sent: true,
    shots: shots([500, 186], [612, 640]),
    own: { threadwick: { title: 'Ostler waxed chore coat, olive, size L' } },
    item: {
      kind: 'coat',
      title: 'Ostler waxed cotton chore coat, olive, corduroy collar, men’s L',
      spot: 'Rail-07',
      description:
        'Waxed cotton chore coat with a corduroy collar and three patch pockets.\nWax worn at the ' +
        'pockets; wants a fresh coat of wax.\nPit to pit 59 cm, length 76 cm.',
      facts: {
        brand: 'Ostler',
        department: 'Men',
        size: 'L',
        colour: 'Olive',
        material: 'Waxed cotton',
        model: 'chore coat',
      },
      use: 'regular',
      flaws: [flaw('f1', 'worn edge', 'pockets', 'slight')],
      measurements: { chest: 590, length: 760, sleeve: 640 },
      cost: 900,
      price: 7400,
      weightG: 1650,
    },
  },
  {
    subject: clothes.cords,
    haul: 'aldous',
    daysAgo: 5,
    wanted: ['brackenmoor', 'threadwick'],
    shots: shots([500, 130], [590, 520]),
    item: {
      kind: 'trousers',
      title: 'Marrow & Pike wide corduroy trousers, rust brown',
      spot: 'Rail-11',
      description:
        'Heavy wide-wale corduroy with turn-ups let down once.\nWaist 41 cm flat, inside leg 79 cm.',
      facts: { brand: 'Marrow & Pike', department: 'Women', colour: 'Brown', material: 'Corduroy' },
      use: 'light',
      measurements: { waist: 410, inseam: 790, rise: 300 },
      cost: 0,
      price: 3600,
      weightG: 720,
    },
  },
  {
    subject: clothes.headscarf,
    haul: 'aldous',
    daysAgo: 87,
    wanted: ALL,
    sent: true,
    shots: shots([500, 500], [800, 800]),
    own: {
      threadwick: {
        title: 'Silk headscarf, wreath of flowers, rolled hem',
        specifics: { department: 'Women', size: 'One size' },
      },
    },
    item: {
      kind: 'scarf',
      title: 'Silk headscarf with a wreath of flowers, hand-rolled hem',
      spot: 'Box 4',
      description:
        'Heavy silk twill, hand-rolled hem, colours bright.\nOne faint mark near a corner.\n86 by 86 cm.',
      facts: { brand: 'Vantrell', colour: 'Cream', material: 'Silk' },
      use: 'tried',
      flaws: [flaw('f1', 'stain', 'corner', 'slight', 6)],
      measurements: { width: 860, scarfLength: 860 },
      cost: 0,
      price: 2800,
      weightG: 110,
    },
  },
  {
    subject: objects.boots,
    haul: 'fennick',
    daysAgo: 2,
    wanted: ALL,
    shots: shots([470, 420], [800, 780]),
    item: {
      kind: 'boots',
      title: 'Stout leather walking boots, stitched soles, size 41',
      spot: 'C1-03',
      description:
        'Full-grain leather, stitched soles, red laces.\nCreased where feet bend; soles with plenty of life.',
      facts: { brand: 'Ostler', department: 'Unisex', size: '41', colour: 'Tan', material: 'Leather' },
      use: 'regular',
      flaws: [flaw('f1', 'creased', 'left toe', 'slight')],
      measurements: { insole: 268 },
      cost: 800,
      price: 5200,
      weightG: 1780,
    },
  },
  {
    subject: objects.satchel,
    haul: 'quayside',
    daysAgo: 12,
    wanted: ['brackenmoor', 'nearstile'],
    sent: true,
    promisedOn: 'nearstile',
    shots: shots([340, 620], [780, 780]),
    item: {
      kind: 'bag',
      title: 'Vantrell bridle leather satchel, brass buckles, tan',
      spot: 'C2-01',
      description:
        'Thick bridle leather gone dark at the edges, brass buckles, one inside pocket.\n38 cm ' +
        'wide, 29 cm high.',
      facts: { brand: 'Vantrell', colour: 'Tan', material: 'Leather' },
      use: 'regular',
      flaws: [flaw('f1', 'scuffed', 'corners', 'slight')],
      measurements: { width: 380, height: 290, depth: 110 },
      cost: 1200,
      price: 6500,
      weightG: 1350,
      holds: [
        {
          from: DEMO_NOW - HOUR,
          to: null,
          who: 'Wilma',
          market: 'nearstile',
          meet: {
            place: 'Harbour steps',
            at: DEMO_NOW + 3 * HOUR,
            pay: 'cash',
            amount: 8500,
            receivedAt: null,
            toldAt: null,
            remindedAt: null,
            handedAt: null,
            missedAt: null,
          },
        },
      ],
    },
  },
  {
    subject: objects.lamp,
    haul: 'fennick',
    daysAgo: 2,
    wanted: ['brackenmoor', 'nearstile', 'oldhollow', 'lanternyard'],
    sent: true,
    shots: shots([500, 780], [644, 800]),
    item: {
      kind: 'lamp',
      title: 'Hobley Lamp Works brass ship’s oil lamp, port No. 7',
      spot: 'D1-02',
      description:
        'Heavy brass oil lamp with a ribbed lens and its carrying handle.\nA dent in the base, ' +
        'polished many times.\nHeight 41 cm.',
      facts: {
        brand: 'Hobley Lamp Works',
        model: 'No. 7',
        material: 'Brass',
        colour: 'Brass',
        decade: '1930s',
      },
      use: 'regular',
      flaws: [flaw('f1', 'dent', 'base', 'clear', 34)],
      measurements: { height: 410, width: 220, depth: 220 },
      cost: 2200,
      price: 12800,
      weightG: 3400,
    },
  },
  {
    subject: objects.coffeePot,
    haul: 'fennick',
    daysAgo: 2,
    wanted: ['brackenmoor', 'nearstile'],
    shots: shots([420, 500], [360, 820]),
    item: {
      kind: 'kitchenware',
      title: 'Blue speckled enamel coffee pot with lid',
      spot: 'B3-05',
      description:
        'Speckled blue enamel, chipped at the base and once at the side, sound inside.\nHeight 24 cm.',
      facts: { brand: 'Drumlin', material: 'Enamel', colour: 'Blue', decade: '1950s' },
      use: 'regular',
      flaws: [flaw('f1', 'chip', 'base', 'clear', 19), flaw('f2', 'chip', 'front', 'slight', 10)],
      measurements: { height: 240, width: 170 },
      cost: 300,
      weightG: 1300,
    },
  },
  {
    subject: objects.handPlane,
    haul: 'quayside',
    daysAgo: 12,
    wanted: ['brackenmoor', 'nearstile'],
    sent: true,
    boughtOn: 'brackenmoor',
    shots: shots([560, 470], [800, 645]),
    item: {
      kind: 'handPlane',
      title: 'Vantrell No. 4 smoothing plane, hardwood handles',
      spot: 'D2-09',
      description:
        'Smoothing plane, hardwood handles, good length of iron left.\nLight rust on the ' +
        'sole.\nLength 24.5 cm.',
      facts: { brand: 'Vantrell', model: 'No. 4', material: 'Steel', decade: '1950s' },
      use: 'regular',
      flaws: [flaw('f1', 'rust', 'sole', 'slight')],
      measurements: { toolLength: 245, width: 64 },
      cost: 400,
      price: 3400,
      weightG: 1900,
    },
  },
  {
    subject: objects.camera,
    haul: 'fennick',
    daysAgo: 1,
    wanted: ['brackenmoor'],
    shots: shots([500, 420], [320, 330]),
    item: {
      kind: 'camera',
      title: 'Vantrell folding plate camera, red bellows, with screen',
      spot: 'A1-01',
      description:
        'Folding plate camera with red bellows and its ground glass.\nShutter fires at every speed ' +
        'but is not tested with film.',
      facts: {
        brand: 'Vantrell',
        model: 'folding plate camera',
        film: 'Plate',
        colour: 'Black',
        decade: '1930s',
      },
      use: 'light',
      flaws: [flaw('f1', 'not tested', '', 'slight')],
      measurements: { width: 130, height: 170, depth: 60 },
      cost: 1500,
      price: 9500,
      weightG: 1250,
    },
  },
  {
    subject: objects.operaGlasses,
    haul: 'aldous',
    daysAgo: 5,
    wanted: ['brackenmoor', 'nearstile', 'oldhollow'],
    sent: true,
    boughtOn: 'brackenmoor',
    own: { oldhollow: { auction: { opening: 3000, outright: 9000, days: 7, again: 1, becomes: 6500 } } },
    shots: shots([500, 400], [690, 540]),
    item: {
      kind: 'glasses',
      title: 'Mother-of-pearl opera glasses, gilt brass, 3 times',
      spot: 'A1-04',
      description: 'Gilt brass and mother of pearl, smooth focus, clear lenses.\nWidth 10 cm.',
      facts: { brand: 'Vantrell', material: 'Brass', decade: '1920s' },
      use: 'light',
      measurements: { width: 100, height: 70 },
      cost: 0,
      price: 7200,
      weightG: 520,
    },
  },
  {
    subject: objects.vase,
    haul: 'fennick',
    daysAgo: 1,
    wanted: ['brackenmoor'],
    sent: true,
    boughtOn: 'brackenmoor',
    shots: shots([500, 520], [500, 170]),
    item: {
      kind: 'vase',
      title: 'Green pressed-glass vase, diamond pattern',
      spot: 'B2-04',
      description: 'Pressed glass in bottle green, cut with diamonds all round.\n19 cm high; no chips found.',
      facts: { material: 'Pressed glass', colour: 'Green', decade: '1930s' },
      use: 'light',
      measurements: { height: 190 },
      cost: 500,
      price: 2400,
      weightG: 940,
    },
  },
  {
    subject: objects.vase,
    haul: 'fennick',
    daysAgo: 1,
    wanted: [],
    shots: [
      { name: 'front', tilt: -3 },
      { name: 'detail', zoom: 3, at: [420, 760] },
    ],
    item: {
      kind: 'vase',
      title: 'Green pressed-glass vase, diamond pattern, the second',
      spot: 'B2-05',
      description: '',
      facts: { material: 'Pressed glass', colour: 'Green' },
      use: 'light',
      cost: 500,
      price: 2400,
    },
  },
  {
    subject: objects.fieldGuide,
    haul: 'quayside',
    daysAgo: 12,
    wanted: ['brackenmoor', 'quirestack'],
    sent: true,
    shots: shots([512, 300], [280, 860]),
    item: {
      kind: 'book',
      title: 'Seabirds of the Northern Coasts, E. Farrowdale, cloth',
      spot: 'Box 2',
      description: 'Cloth boards a little sunned, a name inside, plates all present.',
      facts: {
        model: 'Seabirds of the Northern Coasts',
        author: 'E. Farrowdale',
        brand: 'Drumlin Press',
        binding: 'Cloth',
        decade: '1950s',
        barcode: '2000000002415',
      },
      use: 'regular',
      flaws: [flaw('f1', 'name inside', 'endpapers', 'slight')],
      measurements: { height: 215, width: 145, depth: 28 },
      cost: 100,
      price: 1800,
      weightG: 480,
    },
  },
  {
    subject: objects.jigsaw,
    haul: 'quayside',
    daysAgo: 12,
    wanted: ['nearstile'],
    shots: shots([450, 340], [640, 800]),
    item: {
      kind: 'jigsaw',
      title: 'Wooden jigsaw, The Harbour Mill, 250 pieces, one missing',
      spot: 'B1-08',
      description: 'Counted twice: 249 of 250 pieces, box sound.',
      facts: { brand: 'Drumlin Press', pieces: '250', material: 'Wood', decade: '1940s' },
      use: 'regular',
      flaws: [flaw('f1', 'piece missing', 'pieces', 'clear')],
      cost: 200,
      price: 1500,
      weightG: 900,
    },
  },
  {
    subject: clothes.blanket,
    haul: 'fennick',
    daysAgo: 140,
    wanted: ['brackenmoor', 'handbill', 'lanternyard'],
    sent: true,
    shots: shots([740, 450], [300, 400]),
    item: {
      kind: 'blanket',
      title: 'Drumlin Mill striped wool blanket, double',
      spot: 'D4-01',
      description: 'Pure new wool, thick, striped at the ends, fringed.\n190 by 230 cm, no holes found.',
      facts: { brand: 'Drumlin Mill', material: 'Wool', colour: 'Cream', decade: '1960s' },
      use: 'light',
      measurements: { width: 1900, throwLength: 2300 },
      cost: 1400,
      price: 8500,
      weightG: 2300,
    },
  },
];
