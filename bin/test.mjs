// `npm test`: everything that must hold, on a machine that has nothing yet. Quiet when green, exact when red.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { startCluster } from './cluster.mjs'
import {
  build,
  checkNode,
  copyFonts,
  listIcons,
  environment,
  give,
  installDebian,
  installModules,
  migrate,
  root,
  run,
  say,
  tool,
} from './prepare.mjs'

const DATABASE = 'idle_compass_test'
const MOST_MS = 5 * 60_000
const begin = performance.now()
const counts = { passed: 0, failed: 0 }
const step = (name, work) => {
  const since = performance.now()
  const result = work()
  say(`${name} (${((performance.now() - since) / 1000).toFixed(0)} s)`)
  return result
}

checkNode()
installDebian(['postgresql', 'chromium', 'chromium-driver'])
installModules()
copyFonts()
listIcons()
step('types', () => {
  run('Next’s type generation', tool('next'), ['typegen'], { quiet: true })
  run('The type check', tool('tsc'), ['--noEmit'], { quiet: true })
  run('The type check of the core by itself', tool('tsc'), ['-p', 'tsconfig.core.json', '--noEmit'], { quiet: true })
})
step('lint and format', () => {
  run(
    'Lint',
    tool('eslint'),
    ['--max-warnings', '0', '--cache', '--cache-location', 'node_modules/.cache/eslint/', '.'],
    { quiet: true },
  )
  run('The format check (npm run format mends it)', tool('prettier'), ['--check', '--log-level', 'warn', '.'], {
    quiet: true,
  })
})
step('unit tests', () => {
  const report = path.join(mkdtempSync(path.join(tmpdir(), 'compass-')), 'jest.json')
  const done = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--no-warnings',
      'node_modules/jest/bin/jest.js',
      '--json',
      `--outputFile=${report}`,
      ...process.argv.slice(2),
    ],
    { cwd: root, env: environment({ NODE_ENV: 'test' }), encoding: 'utf8', maxBuffer: 1 << 28 },
  )
  const result = JSON.parse(readFileSync(report, 'utf8'))
  counts.passed += result.numPassedTests
  counts.failed += result.numFailedTests + result.numRuntimeErrorTestSuites
  if (!result.success) console.error(done.stderr)
})
build()
const cluster = await startCluster()
try {
  cluster.drop(DATABASE)
  const env = { DATABASE_URL: cluster.url(DATABASE) }
  migrate(env)
  for (const file of [
    'commandLine',
    'storage',
    'sync',
    'door',
    'outage',
    'browser',
    'reading',
    'pages',
    'shaping',
    'stories',
    'dress',
    'otherReader',
  ].map((name) => `e2e/${name}.test.ts`))
    step(file, () => {
      const done = spawnSync(process.execPath, ['--import', 'tsx', '--test', '--test-reporter=tap', file], {
        // A test that leaves something open never ends by itself.
        timeout: MOST_MS,
        cwd: root,
        env: environment(env),
        encoding: 'utf8',
        maxBuffer: 1 << 28,
      })
      const count = (name) => Number(new RegExp(`^# ${name} (\\d+)$`, 'm').exec(done.stdout)?.[1] ?? 0)
      counts.passed += count('pass')
      const failed = count('fail') + count('cancelled')
      counts.failed += failed || (done.status === 0 ? 0 : 1)
      if (done.error) console.error(`${file} did not end within ${MOST_MS / 60_000} minutes: it leaves something open.`)
      if (done.status !== 0) console.error(done.stdout + done.stderr)
    })
  cluster.drop(DATABASE)
} finally {
  if (!cluster.wasRunning) cluster.stop()
}
say(`${((performance.now() - begin) / 1000).toFixed(0)} s in all`)
console.log(`${counts.passed} passed, ${counts.failed} failed`)
if (counts.failed > 0) give('Some tests failed; what they said is above.')
