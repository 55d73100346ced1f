const fc = require('fast-check');

/**
 * `npm test` draws the same cases from generators every time, so the same commit gives the same answer.
 * `EXPLORE=20 npx jest --selectProjects core ui` draws others, here twenty times as many: a failure prints
 * the seed that finds it again.
 */
const times = Number(process.env.EXPLORE ?? 0);
fc.configureGlobal(times > 0 ? { numRuns: 100 * times } : { seed: 20_261_126 });
