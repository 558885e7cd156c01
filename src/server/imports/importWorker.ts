/** The thread that reads one file. In: its name and bytes. Out: what it has come to, a problem, or the fault as a text. */
import { parentPort } from 'node:worker_threads'
import { imported } from './readers'
import type { ImportDone, ImportJob } from './importThread'

const answer = (done: ImportDone) => parentPort?.postMessage(done)
parentPort?.on('message', ({ name, bytes }: ImportJob) => {
  imported(name, bytes).then(
    (read) => answer({ read }),
    (error: unknown) => answer({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  )
})
