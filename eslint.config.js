const expo = require('eslint-config-expo/flat');

/** Imports go down only: a folder may not reach into those above it. */
const zone = (target, from, message) => ({
  target,
  // What tests stand on is for tests alone.
  from: target.startsWith('./src/') ? [...from, './src/testing'] : from,
  message,
});
const zones = [
  zone(
    './src/contract',
    [
      './src/core',
      './src/wording',
      './src/store',
      './src/workers',
      './src/features',
      './src/parts',
      './src/theme',
      './src/app',
      './server',
    ],
    'The contract stands alone.',
  ),
  zone(
    './src/core',
    [
      './src/wording',
      './src/store',
      './src/workers',
      './src/features',
      './src/parts',
      './src/theme',
      './src/app',
      './server/courier',
      './server/http',
    ],
    'The core knows nothing of pages or servers.',
  ),
  zone(
    './src/wording',
    ['./src/store', './src/workers', './src/features', './src/parts', './src/theme', './src/app', './server'],
    'Wording turns codes of the core into sentences, and knows nothing of where they are shown.',
  ),
  zone(
    './src/store',
    ['./src/features', './src/parts', './src/theme', './src/app', './server'],
    'Stores know nothing of screens.',
  ),
  zone(
    './src/workers',
    ['./src/store', './src/features', './src/parts', './src/theme', './src/app', './server'],
    'Workers call the core.',
  ),
  zone('./src/parts', ['./src/features', './src/app', './server'], 'Parts are shared by features.'),
  zone('./src/features', ['./src/app', './server'], 'A route picks a feature, not the other way round.'),
  zone(
    './server/courier',
    [
      './src/store',
      './src/features',
      './src/parts',
      './src/theme',
      './src/app',
      './server/standins',
      './server/http',
      './src/wording',
    ],
    'The courier says what by codes, and reaches stand-ins over HTTP only.',
  ),
  zone(
    './server/standins',
    ['./src', './server/courier', './server/http', './demo', './sim'],
    'A stand-in imports nothing of ours.',
  ),
];

module.exports = [
  { ignores: ['node_modules/**', 'dist/**', '.cache/**', '.attic/**', '.expo/**'] },
  ...expo,
  {
    rules: {
      'import/no-restricted-paths': ['error', { zones }],
      'no-console': ['error', { allow: ['error'] }],
      'import/no-named-as-default-member': 'off',
      'import/order': [
        'error',
        {
          groups: [['builtin', 'external'], 'internal', ['parent', 'sibling', 'index']],
          pathGroups: [{ pattern: '@/**', group: 'internal', position: 'before' }],
          pathGroupsExcludedImportTypes: ['builtin'],
          'newlines-between': 'always',
          alphabetize: { order: 'asc', caseInsensitive: true },
        },
      ],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      // The compiler tells these itself; asked of the linter they took half of its time.
      'import/namespace': 'off',
      'import/named': 'off',
      'import/default': 'off',
      'import/no-named-as-default': 'off',
      'import/no-unresolved': 'off',
      // A schema and its type share a name on purpose; TypeScript itself tells real redeclarations.
      '@typescript-eslint/no-redeclare': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', caughtErrorsIgnorePattern: '^_' },
      ],
    },
  },
  {
    // The core is handed its time and its randomness.
    files: ['src/core/**/*.ts', 'sim/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'The core has no random of its own.' },
        { object: 'Date', property: 'now', message: 'The core has no clock of its own.' },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'setTimeout',
        'setInterval',
        'navigator',
        'localStorage',
        'performance',
      ],
    },
  },
  {
    // They say what by a code; `src/wording` makes the sentence of it.
    files: ['src/core/**/*.ts', 'src/contract/**/*.ts', 'server/courier/**/*.ts'],
    // A ledger that can't be opened is told of on the console, before there is any page.
    ignores: [
      '**/*.test.ts',
      '**/*.testing.ts',
      'server/courier/ledger.ts',
      'server/courier/ledgerCopies.ts',
    ],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'Literal[value=/^[A-Z“][^\\n]* [^\\n]*[.!]$/]',
          message: 'A sentence: say it by a code, and word it in src/wording.',
        },
        {
          selector: 'TemplateLiteral > TemplateElement:last-child[value.raw=/ [^\\n]*[.!]$/]',
          message: 'A sentence: say it by a code, and word it in src/wording.',
        },
      ],
    },
  },
  {
    // What belongs to a page belongs to somebody who made it, and ends it.
    files: ['src/store/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: ':matches(Program, ExportNamedDeclaration) > VariableDeclaration[kind="let"]',
          message: 'Module-level state: let whoever makes it own it (createAttic, a class, a store).',
        },
        {
          selector:
            ':matches(Program, ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator > NewExpression[callee.name=/^(Map|Set)$/][arguments.length=0]',
          message: 'Module-level state: let whoever makes it own it (createAttic, a class, a store).',
        },
      ],
    },
  },
  {
    files: [
      'server/*.ts',
      'server/{courier,faults,http,lookup,carrier}/*.ts',
      'server/marketplaces/**/*.ts',
      'sim/**/*.ts',
      'src/contract/**/*.ts',
      'src/core/**/*.ts',
      'src/parts/**/*.{ts,tsx}',
      'src/store/**/*.ts',
      'src/workers/**/*.ts',
      'src/wording/**/*.ts',
    ],
    ignores: ['**/*.test.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  {
    files: [
      'scripts/**',
      'server/main.ts',
      'sim/main.ts',
      'sim/parity/main.ts',
      'demo/build.ts',
      'bench/**',
      'e2e/globalSetup.js',
    ],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.test.{ts,tsx}', '*.config.js', 'e2e/**', 'src/testing/**'],
    rules: { 'import/no-restricted-paths': 'off' },
  },
];
