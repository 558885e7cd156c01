// `npm test`: everything that must hold, on a machine that has nothing yet. Quiet when green, exact when red.
import { spawn, spawnSync } from 'node:child_process'
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
const MOST_MS = 10 * 60_000
const begin = performance.now()
const counts = { passed: 0, failed: 0 }
const step = async (name, work) => {
  const since = performance.now()
  await work()
  say(`${name} (${((performance.now() - since) / 1000).toFixed(0)} s)`)
}

/** Runs a command beside others; what it says comes when it has failed. */
const beside = (what, command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, env: environment(), stdio: ['ignore', 'pipe', 'pipe'] })
    let said = ''
    for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', (text) => (said += text))
    child.on('close', (status) => {
      if (status === 0) return resolve()
      console.error(said)
      give(`${what} failed (exit ${status}).`)
    })
  })

checkNode()
installDebian([
  ...['postgresql', 'chromium', 'chromium-driver'],
  // Independent readers of the files that leave.
  ...['libreoffice-impress-nogui', 'libreoffice-writer-nogui', 'libreoffice-calc-nogui'],
  ...['poppler-utils', 'libxml2-utils', 'graphviz'],
])
installModules()
copyFonts()
listIcons()
run('Next’s type generation', tool('next'), ['typegen'], { quiet: true })
await step('types, lint and format', () =>
  Promise.all([
    beside('The type check', tool('tsc'), ['--noEmit'])
      .then(() => beside('The type check of the core by itself', tool('tsc'), ['-p', 'tsconfig.core.json', '--noEmit']))
      .then(() =>
        beside('The format check (npm run format mends it)', tool('prettier'), ['--check', '--log-level', 'warn', '.']),
      ),
    beside('Lint', tool('eslint'), [
      ...['--max-warnings', '0', '--cache', '--cache-location', 'node_modules/.cache/eslint/', '.'],
    ]),
  ]),
)
await step('unit tests', () => {
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

/** Test files one after the other, on a database of their own. */
async function lane(database, names) {
  cluster.drop(database)
  const env = { DATABASE_URL: cluster.url(database) }
  migrate(env)
  for (const name of names) {
    const file = `e2e/${name}.test.ts`
    await step(file, () => nodeTest(file, env))
  }
  cluster.drop(database)
}

function nodeTest(file, env) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--import', 'tsx', '--test', '--test-reporter=tap', file], {
      cwd: root,
      env: environment(env),
      stdio: ['ignore', 'pipe', 'pipe'],
      // A test that leaves something open never ends by itself.
      timeout: MOST_MS,
    })
    const said = { out: '', err: '' }
    child.stdout.setEncoding('utf8').on('data', (text) => (said.out += text))
    child.stderr.setEncoding('utf8').on('data', (text) => (said.err += text))
    child.on('close', (status, signal) => {
      const count = (name) => Number(new RegExp(`^# ${name} (\\d+)$`, 'm').exec(said.out)?.[1] ?? 0)
      counts.passed += count('pass')
      const failed = count('fail') + count('cancelled')
      counts.failed += failed || (status === 0 ? 0 : 1)
      if (signal) console.error(`${file} did not end within ${MOST_MS / 60_000} minutes: it leaves something open.`)
      if (status !== 0) console.error(said.out + said.err)
      resolve()
    })
  })
}

try {
  // They wait more than they work: three at a time, one of them for the most part without a browser. `people`, `rights` and
  // `together` each make the first account of their database, so no two of them stand in one lane.
  await Promise.all([
    lane(`${DATABASE}_a`, ['browser', 'shaping', 'reading', 'otherReader', 'pages', 'storage', 'numbers', 'rights']),
    lane(`${DATABASE}_b`, ['stories', 'dress', 'delivery', 'together', 'shelf', 'german']),
    lane(`${DATABASE}_c`, ['door', 'files', 'commandLine', 'sync', 'outage', 'programs', 'people', 'keeping']),
  ])
} finally {
  if (!cluster.wasRunning) cluster.stop()
}
say(`${((performance.now() - begin) / 1000).toFixed(0)} s in all`)
console.log(`${counts.passed} passed, ${counts.failed} failed`)
if (counts.failed > 0) give('Some tests failed; what they said is above.')
