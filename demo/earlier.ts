import * as objects from './draw/objects';
import type { Shot, Subject } from './draw/studio';
import type { Earlier } from './seedDemo';

const TRAY =
  'Speckled enamel tray, off-white with a blue rim. Two chips at the edge, no rust through. 46 by 32 cm.';
const POT = 'Blue speckled coffee pot with its lid. Chipped at the base, sound inside. 24 cm high.';

/**
 * Items the seller had put up by hand before there was an attic, each on several marketplaces, worded as
 * people word items.
 */
export const EARLIER: readonly { subject: Subject; shots: Shot[]; listings: Omit<Earlier, 'pictures'>[] }[] =
  [
    {
      subject: objects.tray,
      shots: [
        { name: 'front' },
        { name: 'back', side: 'back', tilt: 3 },
        { name: 'detail', zoom: 3, at: [850, 430] },
      ],
      listings: [
        {
          market: 'brackenmoor',
          ref: 'tray-spring',
          draft: {
            title: 'Drumlin enamel tray, speckled, blue rim',
            description: `${TRAY}\nThank you for looking!`,
            price: 1_900,
            postage: 590,
            category: 'house.kitchen',
            condition: 'seasoned',
            specifics: { brand: 'Drumlin', colour: 'White', material: 'Enamel' },
          },
        },
        {
          market: 'oldhollow',
          ref: 'OH-tray',
          draft: {
            title: 'Speckled enamel tray with a blue rim, Drumlin',
            description: TRAY,
            price: 2_400,
            postage: 590,
            category: 'parlour',
            condition: 'mellow',
            specifics: { decade: '1950s', brand: 'Drumlin', material: 'Enamel' },
          },
        },
        {
          market: 'lanternyard',
          ref: 'shop-31',
          draft: {
            title: 'Enamel tray, blue rim',
            description: `<p>${TRAY}</p>`,
            price: 1_900,
            postage: 590,
            category: 'shop',
            condition: 'good',
          },
        },
      ],
    },
    {
      subject: objects.coffeePot,
      shots: [{ name: 'front' }, { name: 'detail', zoom: 3, at: [420, 500], tilt: -4 }],
      listings: [
        {
          market: 'nearstile',
          ref: 'pot',
          draft: {
            title: 'Enamel coffee pot, blue speckled, with lid',
            description: POT,
            price: 1_400,
            postage: 0,
            category: 'indoors',
            condition: 'used',
            answers: { place: 'Harbour steps' },
          },
        },
      ],
    },
  ];
