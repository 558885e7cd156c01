// The thread that makes figure files.
import { loaded } from './bundled.mjs'

await loaded('figureWorker')
