const parser = require('@typescript-eslint/parser');
const ts = require('@typescript-eslint/eslint-plugin');
module.exports = [
  { ignores: ['node_modules/**','dist/**'] },
  { files: ['**/*.{ts,tsx}'], languageOptions: { parser, parserOptions: { ecmaFeatures: { jsx: true } } }, plugins: { t: ts },
    rules: { 'max-lines-per-function': ['error', { max: 80 }], 't/no-non-null-assertion': 'error',
      'no-restricted-syntax': ['error', { selector: 'TSAsExpression:not([typeAnnotation.typeName.name="const"])', message: 'AS' }] } },
];
