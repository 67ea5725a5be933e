import next from 'eslint-config-next'
import nextTypescript from 'eslint-config-next/typescript'
import typescript from 'typescript-eslint'

const typed = ['**/*.ts', '**/*.tsx']

const config = [
  {
    ignores: [
      '.next/**',
      'dist/**',
      '.data/**',
      '.test-data/**',
      'coverage/**',
      'next-env.d.ts',
      'playwright-report/**',
    ],
  },
  ...next,
  ...nextTypescript,
  // Rules that know the types: promises nobody waits for, values that are none, conditions that can't be otherwise.
  ...typescript.configs.recommendedTypeCheckedOnly.map((rules) => ({ ...rules, files: typed })),
  {
    files: typed,
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      // Implementations of promised interfaces, most of all in tests, need not wait for anything.
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowBoolean: true },
      ],
    },
  },
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
    files: ['scripts/**', 'cli/**', 'bin/**', 'e2e/**'],
    rules: { 'no-console': 'off' },
  },
]

export default config
