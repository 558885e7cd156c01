// The thread that reads files of other programs: TypeScript as it stands, as the command line runs it.
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { register } from 'tsx/esm/api'

register({ tsconfig: path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../tsconfig.json') })
await import('../src/server/imports/importWorker.ts')
