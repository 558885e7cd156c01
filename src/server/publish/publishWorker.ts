/** The thread that makes folios into files. In: a folio with what is asked for. Out: how far it is, then the file, a problem, or
 *  the fault as a text. */
import { parentPort } from 'node:worker_threads'
import { published } from './index'
import type { PublishDone, PublishJob } from './publishThread'

const answer = (done: PublishDone) => parentPort?.postMessage(done)

parentPort?.on('message', ({ content, format, options }: PublishJob) => {
  published(content, format, options, (done, total) => answer({ done, total })).then(
    (made) => answer({ made }),
    (error: unknown) => answer({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  )
})
