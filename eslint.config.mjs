import next from 'eslint-config-next'
import prettier from 'eslint-config-prettier'
import tseslint from 'typescript-eslint'

/** Nothing of the core may depend on when, where or in which order it runs. */
const CORE_FORBIDDEN = [
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'Take a seeded rng as a parameter.',
  },
  { selector: "NewExpression[callee.name='Date']", message: 'The core has no clock.' },
  { selector: "MemberExpression[object.name='Date']", message: 'The core has no clock.' },
  { selector: ':function[async=true]', message: 'The core is synchronous.' },
  { selector: 'Program > VariableDeclaration[kind=let]', message: 'The core keeps no state between calls.' },
]

/** A call takes some hundred thousand arguments, data may be more. */
const NO_SPREAD_INTO_CALLS = [':matches(CallExpression, NewExpression) > SpreadElement'].map((selector) => ({
  selector,
  message:
    'Data must not be spread into arguments: use largest() or least() of core/numeric, or add one by one.',
}))

/** Tables are the data room's own: pages and components know the core's names. */
const NO_COLUMN_NAMES = [
  {
    selector: 'MemberExpression[computed=false][property.name=/^[a-z0-9]+(_[a-z0-9]+)+$/]',
    message: 'A column name of a table: give it a name of the core where the flow reads it.',
  },
]

const NAMED_EXPORTS = { selector: 'ExportDefaultDeclaration', message: 'Named exports only.' }

export default tseslint.config(
  {
    ignores: [
      '.next/',
      'node_modules/',
      'next-env.d.ts',
      'kelpfield-data/',
      'test-results/',
      'test-reports/',
    ],
  },
  ...next,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['src/app/**', '**/*.test.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', NAMED_EXPORTS, ...NO_SPREAD_INTO_CALLS] },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': ['error', NAMED_EXPORTS, ...NO_SPREAD_INTO_CALLS, ...NO_COLUMN_NAMES],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', NAMED_EXPORTS, ...NO_SPREAD_INTO_CALLS, ...CORE_FORBIDDEN] },
  },
  {
    // Points are given as pairs here, and only pairs are spread.
    files: ['src/core/design/library/**/*.ts', 'src/core/fold/bases/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', NAMED_EXPORTS, ...CORE_FORBIDDEN] },
  },
  {
    files: ['src/app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NO_SPREAD_INTO_CALLS, ...NO_COLUMN_NAMES] },
  },
  {
    files: ['demo/**/*.ts', 'scripts/**/*.ts', 'bench/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NO_SPREAD_INTO_CALLS] },
  },
  {
    // What computes is held short; migrations are tables, designs are written down.
    files: ['src/{core,schema,formats,data,flows,workers,access}/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/data/migrations/**', 'src/core/design/library/**'],
    rules: { 'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }] },
  },
  {
    // Markup takes more lines for the same.
    files: ['src/{ui,app}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-lines-per-function': ['error', { max: 80, skipBlankLines: true, skipComments: true }] },
  },
  {
    // Every write goes through data/writing.ts: it takes the lock first and waits for it without blocking.
    files: ['src/**/*.ts', 'scripts/**/*.ts', 'demo/**/*.ts'],
    ignores: ['src/data/writing.ts', 'src/ui/**', '**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { property: 'transaction', message: 'Use inTransaction() of data/writing.ts.' },
      ],
    },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/shell/Link.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        { paths: [{ name: 'next/link', message: 'Use ui/shell/Link: it fetches nothing ahead.' }] },
      ],
    },
  },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      'max-lines': 'off',
    },
  },
  prettier,
)
