import boundaries from 'eslint-plugin-boundaries'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const features = ['kit', 'ground', 'plan', 'field', 'findings', 'exchange', 'trials']

export default tseslint.config(
  { ignores: ['.next/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**', 'playwright-report/**'] },
  ...tseslint.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    plugins: { boundaries, 'react-hooks': reactHooks },
    settings: {
      'import/resolver': { typescript: { alwaysTryTypes: true } },
      'boundaries/include': ['src/**/*'],
      'boundaries/elements': [
        { type: 'core', pattern: 'src/core/**', mode: 'full' },
        { type: 'data', pattern: 'src/data/**', mode: 'full' },
        { type: 'ui', pattern: 'src/ui/**', mode: 'full' },
        { type: 'feature', pattern: 'src/features/(*)/**', mode: 'full', capture: ['name'] },
        { type: 'demo', pattern: 'src/demo/**', mode: 'full' },
        { type: 'cli', pattern: 'src/cli/**', mode: 'full' },
        { type: 'app', pattern: 'src/app/**', mode: 'full' },
      ],
    },
    rules: {
      ...reactHooks.configs.recommended.rules,
      'boundaries/element-types': [
        'error',
        {
          default: 'disallow',
          rules: [
            { from: 'core', allow: ['core'] },
            { from: 'data', allow: ['data', 'core'] },
            { from: 'ui', allow: ['ui', 'core'] },
            ...features.map((name) => ({
              from: [['feature', { name }]],
              allow: ['core', 'data', 'ui', ['feature', { name }]],
            })),
            { from: 'demo', allow: ['demo', 'data', 'core'] },
            { from: 'cli', allow: ['cli', 'core'] },
            { from: 'app', allow: ['app', 'feature', 'ui', 'data', 'core'] },
          ],
        },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-console': 'error',
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
)
