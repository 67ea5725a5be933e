import next from 'eslint-config-next'
import nextTypescript from 'eslint-config-next/typescript'

const config = [
  {
    ignores: ['.next/**', 'dist/**', '.data/**', '.test-data/**', 'next-env.d.ts', 'playwright-report/**'],
  },
  ...next,
  ...nextTypescript,
  {
    rules: {
      eqeqeq: 'error',
      'no-console': 'error',
      'prefer-const': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
    },
  },
  {
    // The terminal is where these speak.
    files: ['scripts/**', 'cli/**', 'bin/**'],
    rules: { 'no-console': 'off' },
  },
]

export default config
