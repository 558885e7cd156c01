// `npm start`: everything a fresh machine lacks, then the application, until Ctrl-C. What dies meanwhile is started again.
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, openSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { dataFolder, freePort, startCluster } from './cluster.mjs'
import { keepUp } from './keepUp.mjs'
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
  say,
} from './prepare.mjs'

const DATABASE_LOOK_MS = 1000
const begin = performance.now()
const seconds = (since) => `${((performance.now() - since) / 1000).toFixed(1)} s`
async function stage(name, work) {
  const since = performance.now()
  const result = await work()
  say(`${name}: ready after ${seconds(since)}`)
  return result
}

checkNode()
const pidFile = path.join(dataFolder, 'start.pid')
const serverFile = path.join(dataFolder, 'server.pid')
mkdirSync(path.dirname(pidFile), { recursive: true })
const other = existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0
if (
  other &&
  other !== process.pid &&
  existsSync(`/proc/${other}/cmdline`) &&
  readFileSync(`/proc/${other}/cmdline`, 'utf8').includes('start.mjs')
)
  give(
    `Idle Compass is already running from this folder (process ${other}). Stop it with Ctrl-C there, or: kill ${other}`,
  )
writeFileSync(pidFile, String(process.pid))
stopOrphan()

/** A launcher that was killed with -9 leaves its server behind, which would hold the port. */
function stopOrphan() {
  const pid = existsSync(serverFile) ? Number(readFileSync(serverFile, 'utf8')) : 0
  rmSync(serverFile, { force: true })
  let home = ''
  try {
    home = readlinkSync(`/proc/${pid}/cwd`)
  } catch {
    // No such process: the usual case.
    return
  }
  if (home !== root) return
  say(`stopping the server that an earlier, killed run left behind (process ${pid})`)
  process.kill(pid, 'SIGKILL')
}

let cluster = null
let child = null
let ending = false
function end() {
  if (ending) return
  ending = true
  say('stopping')
  if (!child || child.exitCode !== null || child.signalCode !== null) return finish(0)
  child.once('exit', () => finish(0))
  child.kill('SIGTERM')
  setTimeout(() => child.kill('SIGKILL'), 5000).unref()
}
function finish(code) {
  if (cluster && !cluster.wasRunning) cluster.stop()
  rmSync(pidFile, { force: true })
  rmSync(serverFile, { force: true })
  say('stopped')
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, end)

try {
  await stage('Debian packages', () => installDebian(['postgresql']))
  await stage('Node packages', installModules)
  await stage('fonts', copyFonts)
  await stage('icons', listIcons)
  cluster = await stage('database', startCluster)
  const env = { DATABASE_URL: cluster.url('idle_compass') }
  await stage('migrations and demo data', () => migrate(env))
  await stage('build', build)
  const wanted = Number(process.env.PORT ?? 4100)
  const port = await freePort(wanted)
  if (port !== wanted) say(`port ${wanted} is taken, so port ${port} is used`)
  startServer(port, env)
  const url = `http://localhost:${port}`
  await answers(url)
  watchServer(port, env)
  watchDatabase()
  console.log(`\n  Idle Compass is at ${url}   (${seconds(begin)}; Ctrl-C stops it)\n`)
} catch (error) {
  child?.kill('SIGKILL')
  if (cluster && !cluster.wasRunning) cluster.stop()
  rmSync(pidFile, { force: true })
  give(error.message)
}

/** Next's own entry with this Node: no npm or shell between us and the signals. */
function startServer(port, env) {
  child = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    env: environment({ ...env, NODE_ENV: 'production', PORT: String(port) }),
    stdio: ['ignore', openSync(path.join(dataFolder, 'server.log'), 'a'), 'inherit'],
    detached: true,
  })
  writeFileSync(serverFile, String(child.pid))
}

function watchServer(port, env) {
  const watch = () => child.once('exit', (code, signal) => !ending && again(signal ?? `exit ${code}`))
  const again = keepUp('server', () => {
    if (ending) return
    startServer(port, env)
    watch()
  })
  watch()
}

/** A database of somebody else's start is looked after there. */
function watchDatabase() {
  if (cluster.wasRunning) return
  const again = keepUp('database', () => ending || cluster.isRunning() || cluster.start())
  const look = async () => {
    if (ending) return
    if (!cluster.isRunning()) await again('its process is gone')
    setTimeout(look, DATABASE_LOOK_MS)
  }
  setTimeout(look, DATABASE_LOOK_MS)
}

async function answers(url) {
  for (let i = 0; i < 150; i++) {
    if (child.exitCode !== null) throw new Error('The server ended before it answered; its messages are above.')
    const ok = await fetch(`${url}/api/health`).then(
      (r) => r.ok,
      () => false,
    )
    if (ok) return
    await new Promise((r) => setTimeout(r, 200))
  }
  throw new Error(`The server did not answer at ${url} within 30 seconds; its messages are above.`)
}
