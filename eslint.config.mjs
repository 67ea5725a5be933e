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
      // A solar module is called a module.
      '@next/next/no-assign-module-variable': 'off',
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
