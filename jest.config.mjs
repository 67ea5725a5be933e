// Tests speak for themselves.
process.env.LOG_LEVEL ??= 'silent'

/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  globalSetup: '<rootDir>/scripts/parts/jest-setup.mjs',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: { '^.+\\.tsx?$': '<rootDir>/scripts/parts/jest-transform.mjs' },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/$1' },
  testMatch: ['<rootDir>/**/*.test.ts', '<rootDir>/**/*.test.tsx'],
  testPathIgnorePatterns: ['/node_modules/', '/.next/', '/e2e/'],
  modulePathIgnorePatterns: ['<rootDir>/.next/'],
  coverageProvider: 'v8',
  coverageDirectory: '<rootDir>/test-results/coverage',
  coverageReporters: ['json-summary'],
  collectCoverageFrom: [
    '{bench,charts,cli,core,proposal,server,services,stage,town,words,workers}/**/*.{ts,tsx}',
    '!**/*.test.{ts,tsx}',
  ],
}

export default config
