// Where the day begins an hour or two before that of UTC: what takes the one for the other is seen.
process.env.TZ = 'Europe/Berlin';

const alias = {
  '^@/(.*)$': '<rootDir>/src/$1',
  // Packages whose modules need compiling, by the bundles that come with them.
  '^(d3-array|d3-polygon|d3-scale|d3-shape|d3-time|d3-interpolate|d3-format|d3-time-format|d3-color|d3-path)$':
    '<rootDir>/node_modules/$1/dist/$1.min.js',
  '^culori/fn$': '<rootDir>/node_modules/culori/bundled/culori.cjs',
};

/**
 * Handed to every module as its own: what is looked up in a test's global scope costs ten times as much, and
 * pixels ask for these by the million.
 */
const sandboxInjectedGlobals = ['Math'];

/** Everything that runs in Node: core, server, simulation, and the browser tests' own code. */
const node = {
  testEnvironment: 'node',
  sandboxInjectedGlobals,
  moduleNameMapper: alias,
  // Several times as fast as the app's own compiler, which only what is drawn needs.
  transform: {
    '\\.[jt]sx?$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } },
        module: { type: 'commonjs' },
        sourceMaps: 'inline',
      },
    ],
  },
  transformIgnorePatterns: ['node_modules/(?!(nanoid|date-fns|eventsource-parser)/)'],
};
const generated = { setupFiles: ['<rootDir>/jest.properties.js'] };

const { watchPlugins: _, ...web } = require('jest-expo/web/jest-preset');

module.exports = {
  maxWorkers: 2,
  // No test is timed: this only ends one that hangs, and a busy machine may be slow.
  testTimeout: 900_000,
  // The longest first, by what they took before: then all workers end at about the same time.
  testSequencer: '<rootDir>/jest.sequencer.js',
  projects: [
    {
      displayName: 'core',
      ...node,
      ...generated,
      testMatch: ['<rootDir>/src/{core,contract,wording,workers}/**/*.test.ts'],
    },
    { displayName: 'server', ...node, ...generated, testMatch: ['<rootDir>/server/**/*.test.ts'] },
    { displayName: 'sim', ...node, ...generated, testMatch: ['<rootDir>/{sim,demo,truth}/**/*.test.ts'] },
    {
      ...web,
      displayName: 'ui',
      sandboxInjectedGlobals,
      testMatch: ['<rootDir>/src/{store,parts,features}/**/*.test.{ts,tsx}'],
      moduleNameMapper: {
        ...web.moduleNameMapper,
        ...alias,
        '\\.css$': '<rootDir>/src/testing/noStyle.js',
        '^exifr/dist/lite\\.esm\\.mjs$': '<rootDir>/node_modules/exifr/dist/lite.umd.js',
        '^lucide-react-native/icons/(.*)$': '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
      },
      transformIgnorePatterns: [
        'node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-native-svg|nanoid|ics|idb|date-fns|eventsource-parser|comlink)/?)',
      ],
      setupFiles: [
        ...(web.setupFiles ?? []),
        '<rootDir>/src/testing/setup.ts',
        '<rootDir>/jest.properties.js',
      ],
    },
    {
      displayName: 'browser',
      ...node,
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
      globalSetup: '<rootDir>/e2e/globalSetup.js',
      setupFilesAfterEnv: ['<rootDir>/e2e/patience.ts'],
    },
  ],
};
