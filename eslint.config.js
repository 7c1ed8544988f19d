import boundaries from 'eslint-plugin-boundaries'
import reactHooks from 'eslint-plugin-react-hooks'
import { defineConfig } from 'eslint/config'
import tseslint from 'typescript-eslint'

const features = [
  'kit',
  'bench',
  'ground',
  'plan',
  'field',
  'findings',
  'reach',
  'exchange',
  'trials',
  'crew',
  'keep',
]

const goes = (from, to) => ({
  from: { element: { type: from } },
  allow: { to: { element: { type: to } } },
})

// A line may be long where what it holds is one text: a sentence of the screen, a test's name, a pattern.
const oneText = String.raw`^\s*(?:[\w.]+\(|const \w+ = |[\w'-]+[:=] ?\{?|\? |: |return |<\w+>)*['"\x60/<]`

export default defineConfig(
  {
    ignores: [
      'build/**',
      '.next/**',
      'node_modules/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
    ],
  },
  ...tseslint.configs.recommended,
  {
    rules: {
      'max-len': ['error', { code: 120, ignoreUrls: true, ignorePattern: oneText }],
    },
  },
  {
    files: ['**/*.{ts,tsx}'],
    languageOptions: {
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
      },
    },
    plugins: { boundaries, 'react-hooks': reactHooks },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/include': ['src/**/*'],
      'boundaries/elements': [
        ...['core', 'data', 'ui', 'demo', 'cli', 'app', 'workers'].map((type) => ({
          type,
          pattern: `src/${type}/**`,
          partialMatch: false,
        })),
        { type: 'feature', pattern: 'src/features/(*)/**', partialMatch: false, capture: ['name'] },
      ],
    },
    rules: {
      ...reactHooks.configs.recommended.rules,
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: [
            goes('core', ['core']),
            goes('data', ['data', 'core']),
            goes('ui', ['ui', 'core', 'workers']),
            goes('feature', ['core', 'data', 'ui', 'workers']),
            goes('demo', ['demo', 'data', 'core']),
            goes('cli', ['cli', 'core']),
            goes('workers', ['workers', 'core']),
            goes('app', ['app', 'feature', 'ui', 'data', 'core', 'demo']),
            // A feature knows itself and no other: what two need moves to ui, data or core.
            ...features.map((name) => ({
              from: { element: { type: 'feature', captured: { name } } },
              allow: { to: { element: { type: 'feature', captured: { name } } } },
            })),
          ],
        },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      'max-lines-per-function': ['error', { max: 120, skipComments: true, skipBlankLines: true }],
      'no-console': 'error',
    },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/shell/PageLink.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'next/link', message: 'PageLink fetches a page ahead only when it is wanted.' },
            ...['TextField', 'Select'].map((name) => ({
              name: `@mui/material/${name}`,
              message: 'TextField of ui/fields loads a list, and what it floats in, only when it is wanted.',
            })),
          ],
        },
      ],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [
                'react',
                'react-*',
                'next',
                'next/*',
                '@mui/*',
                'drizzle-orm*',
                'better-sqlite3',
                'node:*',
              ],
              message: 'src/core knows no interface, no database and no machine.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'localStorage',
        'setTimeout',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take a seeded generator.' },
        { object: 'Date', property: 'now', message: 'Take the time as an argument.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'Take the time as an argument.',
        },
      ],
    },
  },
  { files: ['src/cli/**', 'scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
  // The body of a describe is as long as what it gathers.
  { files: ['**/*.test.ts', '**/*.test.tsx', 'e2e/**'], rules: { 'max-lines-per-function': 'off' } },
  { files: ['**/*.test.ts'], rules: { '@typescript-eslint/no-explicit-any': 'off' } },
)
