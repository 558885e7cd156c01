/** The thread that reads one file or text. In: the job. Out: what it has come to, a problem, or the fault as a text. */
import { parentPort } from 'node:worker_threads'
import { propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { cleanText } from '@/manuscript'
import { shippedLexicon } from '../lexicon'
import { imported } from './readers'
import type { ReadDone, ReadJob } from './importThread'

const answer = (done: ReadDone) => parentPort?.postMessage(done)
parentPort?.on('message', (job: ReadJob) => {
  done(job).then(
    (read) => answer({ read }),
    (error: unknown) => answer({ fault: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  )
})

async function done(job: ReadJob): Promise<unknown> {
  if (job.job === 'file') return imported(job.name, job.bytes)
  return propose(readText(cleanText(job.text), shippedLexicon())).filter(
    (r) => job.kind === undefined || r.kind === job.kind,
  )
}
