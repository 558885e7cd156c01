import nextJest from 'next/jest.js'

/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  // No test fails because a machine is busy.
  testTimeout: 60_000,
  // Properties over seeds are most of the work: both cores.
  maxWorkers: '100%',
  roots: ['<rootDir>/src'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  reporters: [['default', { summaryThreshold: 0 }]],
  silent: false,
}

const withGlobals = async () => {
  const made = await nextJest({ dir: './' })(config)()
  const transform = Object.entries(made.transform).map(([files, [, options]]) => [
    files,
    ['<rootDir>/jest.transform.mjs', options],
  ])
  return { ...made, transform: Object.fromEntries(transform) }
}
export default withGlobals
