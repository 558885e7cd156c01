// The thread that looks at a font.
import { loaded } from './bundled.mjs'

await loaded('fontWorker')
