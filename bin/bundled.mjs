// The program's own TypeScript as modules that Node starts at once: bundled when it has changed, by esbuild, into `.bundle`.
// Where esbuild is not installed, Node runs the sources through tsx as they stand.
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..')
const entries = {
  cli: 'src/cli/main.ts',
  figureWorker: 'src/server/figureWorker.ts',
  fontWorker: 'src/server/fontWorker.ts',
  importWorker: 'src/server/imports/importWorker.ts',
  publishWorker: 'src/server/publish/publishWorker.ts',
}

/** The newest change of any source, and how many there are: one that is gone is a change too. */
function state(folder) {
  let newest = 0
  let count = 0
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name)
    if (entry.isDirectory()) {
      const inner = state(full)
      newest = Math.max(newest, inner.newest)
      count += inner.count
    } else if (/\.(?:ts|tsx|json)$/.test(entry.name)) {
      newest = Math.max(newest, statSync(full).mtimeMs)
      count++
    }
  }
  return { newest, count }
}

const DAY_MS = 86_400_000

async function made(stamp) {
  const { build } = await import('esbuild')
  const out = path.join(root, '.bundle', stamp)
  if (existsSync(path.join(out, 'cli.js'))) return out
  // Into a folder of its own, put in place when it is whole: several may be started at once.
  const draft = `${out}.${process.pid}.${Math.random().toString(36).slice(2)}`
  mkdirSync(draft, { recursive: true })
  await build({
    absWorkingDir: root,
    entryPoints: Object.fromEntries(Object.entries(entries).map(([name, file]) => [name, path.join(root, file)])),
    outdir: draft,
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    tsconfig: path.join(root, 'tsconfig.json'),
    logLevel: 'error',
  })
  writeFileSync(path.join(draft, 'package.json'), '{"type":"module"}\n')
  try {
    renameSync(draft, out)
  } catch {
    // Somebody else was first.
    rmSync(draft, { recursive: true, force: true })
  }
  // Older ones go after a day: a program that still runs may yet load a part of its own.
  for (const old of readdirSync(path.join(root, '.bundle'))) {
    const full = path.join(root, '.bundle', old)
    if (old !== stamp && Date.now() - statSync(full).mtimeMs > DAY_MS) rmSync(full, { recursive: true, force: true })
  }
  return out
}

/** The module of an entry. */
export async function loaded(entry) {
  const { newest, count } = state(path.join(root, 'src'))
  const stamp = `${Math.round(newest).toString(36)}-${count}`
  try {
    const folder = await made(stamp)
    return await import(pathToFileURL(path.join(folder, `${entry}.js`)).href)
  } catch (error) {
    const missing = error?.code === 'ERR_MODULE_NOT_FOUND' && /esbuild/.test(error.message)
    // Not installed, or no place to write: slower, and the same.
    if (!missing && error?.code !== 'EACCES' && error?.code !== 'EROFS') throw error
    const { register } = await import('tsx/esm/api')
    register({ tsconfig: path.join(root, 'tsconfig.json') })
    return import(pathToFileURL(path.join(root, entries[entry])).href)
  }
}
