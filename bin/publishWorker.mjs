// The thread that makes folios into files.
import { loaded } from './bundled.mjs'

await loaded('publishWorker')
