const alias = { '^@/(.*)$': '<rootDir>/src/$1' };

/** Everything that runs in Node: the core, server, simulation, and the browser tests' own code. */
const node = {
  testEnvironment: 'node',
  moduleNameMapper: alias,
  transform: {
    '\\.[jt]sx?$': [
      'babel-jest',
      { caller: { name: 'metro', bundler: 'metro', platform: 'web', isServer: true } },
    ],
  },
  transformIgnorePatterns: ['node_modules/(?!(nanoid|date-fns|eventsource-parser|d3-array|internmap)/)'],
};

const { watchPlugins: _, ...web } = require('jest-expo/web/jest-preset');

module.exports = {
  // Browser tests wait a good deal: two at a time fill the waits.
  maxWorkers: 2,
  // No test is timed: this only ends one that hangs, and a busy machine may be slow.
  testTimeout: 60_000,
  projects: [
    {
      displayName: 'core',
      ...node,
      setupFiles: ['<rootDir>/jest.properties.js'],
      testMatch: ['<rootDir>/{src/core,src/contract,server,sim,demo}/**/*.test.ts'],
    },
    {
      ...web,
      displayName: 'ui',
      testMatch: ['<rootDir>/src/{store,parts,features}/**/*.test.{ts,tsx}'],
      moduleNameMapper: {
        ...web.moduleNameMapper,
        ...alias,
        '^lucide-react-native/icons/(.*)$': '<rootDir>/node_modules/lucide-react-native/dist/cjs/icons/$1.js',
      },
      transformIgnorePatterns: [
        'node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-native-svg|nanoid|idb|date-fns|eventsource-parser|comlink)/?)',
      ],
      setupFiles: [...(web.setupFiles ?? []), '<rootDir>/e2e/uiSetup.ts', '<rootDir>/jest.properties.js'],
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
