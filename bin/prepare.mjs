// What `npm start` and `npm test` need before the application's own code can run. Node built-ins only.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { programs } from './cluster.mjs'

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const at = (...parts) => path.join(root, ...parts)
export const say = (text) => console.log(`▸ ${text}`)
export const give = (text) => {
  console.error(`\n✗ ${text}`)
  process.exit(1)
}

/** The environment for everything we start: no telemetry, nobody's PG* or NODE_ENV. */
export function environment(more = {}) {
  const kept = Object.entries(process.env).filter(([k]) => !/^PG[A-Z]+$/.test(k) && k !== 'NODE_ENV')
  return { ...Object.fromEntries(kept), NEXT_TELEMETRY_DISABLED: '1', npm_config_update_notifier: 'false', ...more }
}

/** Runs a command to its end. `quiet` shows its output only when it fails. */
export function run(what, command, args, { env = {}, quiet = false } = {}) {
  const done = spawnSync(command, args, {
    cwd: root,
    env: environment(env),
    stdio: quiet ? 'pipe' : 'inherit',
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  })
  if (done.status === 0) return
  if (quiet) console.error(`${done.stdout ?? ''}${done.stderr ?? ''}`)
  give(
    `${what} failed (${done.error?.message ?? done.signal ?? `exit ${done.status}`}): ${path.basename(command)} ${args.join(' ')}`,
  )
}

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    give(`Node 20.19 or newer is needed; this is ${process.version}. Install it and run the command again.`)
}

const debianPackages = {
  postgresql: () => programs() !== null,
  chromium: () => existsSync('/usr/bin/chromium'),
  'chromium-driver': () => existsSync('/usr/bin/chromedriver'),
  'libreoffice-impress-nogui': () => existsSync('/usr/lib/libreoffice/program/libsdlo.so'),
  'libreoffice-writer-nogui': () => existsSync('/usr/lib/libreoffice/program/libswlo.so'),
  'libreoffice-calc-nogui': () => existsSync('/usr/lib/libreoffice/program/libsclo.so'),
  'poppler-utils': () => existsSync('/usr/bin/pdftotext'),
  'libxml2-utils': () => existsSync('/usr/bin/xmllint'),
  graphviz: () => existsSync('/usr/bin/dot'),
}

/** Installs the Debian packages that are missing, as root or through sudo; otherwise says which command to run. */
export function installDebian(names) {
  const missing = names.filter((n) => !debianPackages[n]())
  if (missing.length === 0) return
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  const sudo =
    process.getuid() === 0
      ? []
      : spawnSync('sudo', ['-n', 'true']).status === 0
        ? ['sudo', '-n']
        : process.stdin.isTTY
          ? ['sudo']
          : null
  if (!sudo) give(`Debian packages are missing and sudo asks for a password. Run: sudo ${command}`)
  say(`installing Debian packages: ${missing.join(', ')}`)
  const asRoot = (...words) =>
    run('Installing Debian packages', [...sudo, ...words][0], [...sudo, ...words].slice(1), { quiet: true })
  const apt = ['env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', '-o', 'DPkg::Lock::Timeout=300', '-qq']
  // We make a cluster of our own; Debian need not start one on port 5432.
  if (missing.includes('postgresql'))
    asRoot(
      'sh',
      '-c',
      'mkdir -p /etc/postgresql-common && { [ -e /etc/postgresql-common/createcluster.conf ] || echo "create_main_cluster = false" > /etc/postgresql-common/createcluster.conf; }',
    )
  asRoot(...apt, 'update')
  asRoot(...apt, '-o', 'Dpkg::Options::=--force-confold', 'install', '-y', '--no-install-recommends', ...missing)
}

/** A hash over the contents of files and folders: what it stands for is done again when it changes. */
function contentHash(names) {
  const hash = createHash('sha256').update(process.version)
  const walk = (file) => {
    if (!existsSync(file)) return
    if (statSync(file).isDirectory()) for (const name of readdirSync(file).sort()) walk(path.join(file, name))
    else hash.update(file).update('\0').update(readFileSync(file)).update('\0')
  }
  for (const name of names) walk(at(name))
  return hash.digest('hex')
}

function once(stamp, names, work) {
  const now = contentHash(names)
  if (existsSync(at(stamp)) && readFileSync(at(stamp), 'utf8') === now) return
  rmSync(at(stamp), { force: true })
  work()
  mkdirSync(path.dirname(at(stamp)), { recursive: true })
  writeFileSync(at(stamp), now)
}

export const installModules = () =>
  once('node_modules/.lock-stamp', ['package-lock.json'], () => {
    say('npm ci (a minute or two)')
    run('npm ci', 'npm', ['ci', '--include=dev', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
      quiet: true,
    })
  })

export const tool = (name) => at('node_modules/.bin', name)

/** Which words speak for which icons: made of the packages and of WordNet, and not kept in the repository. */
export const listIcons = () =>
  once('public/icons/.stamp', ['package-lock.json', 'scripts/buildIcons.ts'], () =>
    run('Listing the icons', tool('tsx'), ['scripts/buildIcons.ts'], { quiet: true }),
  )

export const copyFonts = () =>
  once('public/fonts/.stamp', ['package-lock.json', 'src/core/style/fonts.ts', 'scripts/copyFonts.ts'], () =>
    run('Copying the fonts', tool('tsx'), ['scripts/copyFonts.ts'], { quiet: true }),
  )

export const build = () =>
  once(
    '.next/.source-stamp',
    ['src', 'public', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'],
    () => {
      say('building the application (about a minute)')
      rmSync(at('.next'), { recursive: true, force: true })
      run('The build', tool('next'), ['build'], { quiet: true })
    },
  )

export const migrate = (env) => run('Migrating the database', tool('tsx'), ['scripts/migrate.ts'], { env, quiet: true })
