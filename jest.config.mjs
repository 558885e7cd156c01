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

export default async () => {
  const made = await nextJest({ dir: './' })(config)()
  const transform = Object.entries(made.transform).map(([files, [, options]]) => [
    files,
    ['<rootDir>/jest.transform.cjs', options],
  ])
  return { ...made, transform: Object.fromEntries(transform) }
}
