// Tests speak for themselves.
process.env.LOG_LEVEL ??= 'silent'

/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  // All cores, and a worker begins anew before what a hundred suites have left weighs on the next one.
  maxWorkers: '100%',
  workerIdleMemoryLimit: '1GB',
  // Only to end what hangs: how fast things are is measured by the benchmarks, and machines that test are slow at times.
  testTimeout: 120_000,
  globalSetup: '<rootDir>/scripts/parts/jest-setup.mjs',
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  transform: {
    '^.+\\.tsx?$': '<rootDir>/scripts/parts/jest-transform.mjs',
    '/node_modules/(zod|clipper2-ts)/.+\\.js$': '<rootDir>/scripts/parts/jest-transform.mjs',
  },
  transformIgnorePatterns: ['/node_modules/(?!(zod|clipper2-ts)/)'],
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
