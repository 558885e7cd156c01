/** The thread that makes figure files. In: a figure with its options. Out: the file, a problem, or the fault as a text. */
import { parentPort } from 'node:worker_threads'
import { figureFile } from './figureFile'
import type { Done, Job } from './figureThread'

parentPort?.on('message', (job: Job) => {
  figureFile(job.figure, job.options, job.brought).then(
    (made) => parentPort?.postMessage({ made } satisfies Done),
    (error: unknown) =>
      parentPort?.postMessage({
        fault: error instanceof Error ? (error.stack ?? error.message) : String(error),
      } satisfies Done),
  )
})
