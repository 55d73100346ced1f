const { projects } = require('./jest.config.js');

const core = projects.find((p) => p.displayName === 'core');

/** What has to notice a mutant of the courier's core: its own tests, and some simulated evenings. */
module.exports = { ...core, testMatch: ['<rootDir>/sim/brief.mutation.ts'] };
