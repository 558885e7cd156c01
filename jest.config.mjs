import nextJest from 'next/jest.js'

/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  reporters: [['default', { summaryThreshold: 0 }]],
  silent: false,
}
export default nextJest({ dir: './' })(config)
