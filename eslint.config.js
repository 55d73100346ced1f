const expo = require('eslint-config-expo/flat');

/** Imports go down only: a folder may not reach into those above it. */
const zone = (target, from, message) => ({
  target,
  // What tests stand on is for tests alone.
  from: target.startsWith('./src/') ? [...from, './src/testing'] : from,
  message,
});
/**
 * `!` and `as` say that one knows better than the compiler: a comment on their line, or over them or their
 * statement, says how.
 */
const reasonBeside = {
  meta: {
    type: 'problem',
    schema: [
      { type: 'object', properties: { arithmetic: { type: 'boolean' } }, additionalProperties: false },
    ],
  },
  create(context) {
    const { sourceCode } = context;
    const { arithmetic = false } = context.options[0] ?? {};
    const commented = new Set(sourceCode.getAllComments().map((c) => c.loc.end.line));
    const isSaid = (node) => {
      for (let at = node; at; at = at.parent) {
        const { line } = at.loc.start;
        if (commented.has(line) || commented.has(line - 1)) return true;
        if (/Statement$|Declaration$|^(?:JSXAttribute|Property|PropertyDefinition)$/u.test(at.type))
          return false;
      }
      return false;
    };
    const check = (node) => {
      if (!isSaid(node)) context.report({ node, message: 'Say in a comment beside it how that is known.' });
    };
    return {
      TSNonNullExpression: (node) => {
        const isIndexed = node.expression.type === 'MemberExpression' && node.expression.computed;
        if (!(arithmetic && isIndexed)) check(node);
      },
      TSAsExpression: (node) => {
        const { typeAnnotation: type } = node;
        if (type.type === 'TSTypeReference' && type.typeName.name === 'const') return;
        if (node.parent.type === 'TSAsExpression') return;
        check(node);
      },
    };
  },
};

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
    files: ['**/*.{ts,tsx}'],
    // In a test a wrong guess fails the test: that is reason enough.
    ignores: ['**/*.test.{ts,tsx}', '**/*.testing.ts', 'e2e/**', 'src/testing/**'],
    plugins: { house: { rules: { 'reason-beside': reasonBeside } } },
    rules: { 'house/reason-beside': 'error' },
  },
  {
    // Arithmetic over arrays of fixed length, whose indices are counted: the compiler can't follow that, and
    // a check of each would cost as much as the sum.
    files: [
      'src/core/pixels/**/*.ts',
      'src/core/measure/{camera,homography,plane}.ts',
      'src/workers/{canvas,pictureSession}.ts',
      'demo/draw/**/*.ts',
      'src/core/measure/sheet/*.ts',
      'src/core/reading/lineReader/*.ts',
      'server/standins/twinpane/seeing/**/*.ts',
      'truth/**/*.ts',
      'training/**/*.ts',
      'demo/truth.ts',
    ],
    ignores: ['**/*.test.ts'],
    rules: { 'house/reason-beside': ['error', { arithmetic: true }] },
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
            ':matches(Program, ExportNamedDeclaration) > VariableDeclaration > VariableDeclarator ' +
            '> NewExpression[callee.name=/^(Map|Set)$/][arguments.length=0]',
          message: 'Module-level state: let whoever makes it own it (createAttic, a class, a store).',
        },
      ],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      // What the formatter can't break: an expression to look for, a path to import.
      'max-len': ['error', { code: 110, ignoreRegExpLiterals: true, ignorePattern: '^import ' }],
    },
  },
  {
    // Their line breaks are those of the text they make or read.
    files: ['src/core/words/pattern.ts', 'src/core/words/pattern.test.ts'],
    rules: { 'max-len': 'off' },
  },
  {
    files: ['**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  {
    files: [
      'scripts/**',
      'server/main.ts',
      'sim/main.ts',
      'sim/*/main.ts',
      'demo/build.ts',
      'bench/**',
      'training/likeness/make.ts',
      'truth/main.ts',
      'e2e/globalSetup.js',
    ],
    rules: { 'no-console': 'off' },
  },
  {
    files: ['**/*.test.{ts,tsx}', '*.config.js', 'e2e/**', 'src/testing/**'],
    rules: { 'import/no-restricted-paths': 'off' },
  },
  {
    files: ['src/**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: '@testing-library/react',
          importNames: ['waitFor'],
          message: 'It gives up after a second: take the one of @/testing/patience.',
        },
      ],
    },
  },
];
