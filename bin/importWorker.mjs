// The thread that reads files of other programs.
import { loaded } from './bundled.mjs'

await loaded('importWorker')
