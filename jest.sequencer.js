const { default: Sequencer } = require('@jest/test-sequencer');

/**
 * Seconds that the long ones take by themselves (rounded, on two cores). A machine that ran them before knows
 * better; a new one begins with these. What is not listed is short.
 */
const SECONDS = {
  'e2e/access': 85,
  'e2e/silence': 70,
  'e2e/seven': 65,
  'e2e/crosslist': 65,
  'e2e/evening': 60,
  'e2e/cleaning': 55,
  'e2e/camera': 50,
  'e2e/trouble': 45,
  'e2e/copies': 45,
  'e2e/fulfilment': 45,
  'e2e/record': 35,
  'e2e/path': 32,
  'e2e/hands': 32,
  'e2e/bringIn': 32,
  'e2e/price': 30,
  'e2e/order': 28,
  'e2e/compare': 26,
  'e2e/sold': 25,
  'e2e/packing': 22,
  'e2e/sendPictures': 20,
  'e2e/hostile': 20,
  'e2e/lookup': 18,
  'demo/truth': 50,
  'truth/judging': 100,
  'truth/truth': 90,
  'truth/reading': 60,
  'sim/world': 85,
  'features/item/item': 30,
  'features/everyPage': 25,
  'store/pictures/pictures': 12,
  'features/attic/attic': 15,
  'features/fulfilment/fulfilment': 11,
  'features/connections/connections': 10,
  'marketplaces/conformance': 33,
  'price/askingPrice': 12,
  'pixels/looking': 4,
  'courier/writing': 10,
  'http/eventStream': 9,
};

const secondsOf = ({ path }) =>
  Object.entries(SECONDS).find(([name]) => path.includes(`${name}.test.`))?.[1] ?? 1;

module.exports = class extends Sequencer {
  sort(tests) {
    return [...tests].sort((a, b) => secondsOf(b) - secondsOf(a) || a.path.localeCompare(b.path));
  }
};
