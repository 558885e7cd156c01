// The thread that makes folios into files: TypeScript as it stands, as the command line runs it.
import path from 'node:path'
import { fileURLToPath } from 'node:url'
import { register } from 'tsx/esm/api'

register({ tsconfig: path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../tsconfig.json') })
await import('../src/server/publish/publishWorker.ts')
