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
    ignores: ['src/app/**'],
    rules: { 'no-restricted-syntax': ['error', NAMED_EXPORTS] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', NAMED_EXPORTS, ...CORE_FORBIDDEN] },
  },
  {
    files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off', 'max-lines': 'off' },
  },
  prettier,
)
