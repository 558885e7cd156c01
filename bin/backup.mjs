// `npm run backup [FILE]` and `npm run restore FILE`: everything that is kept, in one file: folios with their history, people,
// shares, and what was brought. Of our own cluster, or of the database that DATABASE_URL names.
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import path from 'node:path'
import { programs, startCluster } from './cluster.mjs'
import { environment, give, migrate, say } from './prepare.mjs'

const [what, given] = process.argv.slice(2)
const bin = programs()
if (!bin) give('PostgreSQL’s programs are not installed. Run: apt-get install -y postgresql')
const cluster = process.env.DATABASE_URL ? null : await startCluster()
const url = process.env.DATABASE_URL ?? cluster.url('idle_compass')

/** The password goes in the environment, where other people's lists of processes do not show it. */
function run(program, args) {
  const address = new URL(url)
  const password = decodeURIComponent(address.password)
  address.password = ''
  const done = spawnSync(path.join(bin, program), ['--dbname', address.href, ...args], {
    env: environment({ PGPASSWORD: password }),
    encoding: 'utf8',
  })
  if (done.status !== 0) give(`${program} failed: ${done.stderr || done.error?.message}`)
}

const stamp = new Date().toISOString().slice(0, 16).replace(/[:T]/g, '-')
const file = path.resolve(given ?? `idle-compass-${stamp}.backup`)
if (what === 'backup') {
  run('pg_dump', ['--format=custom', '--no-owner', '--no-privileges', '--file', file])
  say(`everything is in ${file}`)
} else {
  if (!given || !existsSync(file)) give('Name the file of a backup: npm run restore FILE')
  // In one transaction: either all of it is there afterwards, or all that was there before.
  run('pg_restore', ['--clean', '--if-exists', '--no-owner', '--no-privileges', '--single-transaction', file])
  migrate({ DATABASE_URL: url })
  say(`restored from ${file}`)
}
if (cluster && !cluster.wasRunning) cluster.stop()
