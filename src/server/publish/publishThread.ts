/** One folio made into a file in a thread of its own, with limits on memory and on time without progress; it can be stopped. */
import { Worker } from 'node:worker_threads'
import { shippedFile } from '../home'
import type { PublicationFormat } from './publicationTypes'
import type { FolioContent, Made, Progress, PublishOptions } from './publication'

export type PublishJob = {
  readonly content: FolioContent
  readonly format: PublicationFormat
  readonly options: PublishOptions
}
export type PublishDone =
  { readonly done: number; readonly total: number } | { readonly made: Made } | { readonly fault: string }

/** A figure that takes longer keeps the whole back; the first also waits for code and fonts. */
const SILENT_SECONDS = 40
const MOST_MEMORY_MB = 1500

/** Null when it was stopped. Throws when the thread met a fault of ours. */
export function publishedInThread(job: PublishJob, progress: Progress, signal: AbortSignal): Promise<Made | null> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(shippedFile('bin/publishWorker.mjs'), {
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    })
    const end = (settle: () => void) => {
      clearTimeout(alarm)
      signal.removeEventListener('abort', stopped)
      worker.removeAllListeners()
      void worker.terminate()
      settle()
    }
    const stopped = () => end(() => resolve(null))
    const silent = () => end(() => resolve({ code: 'picture-too-slow', seconds: SILENT_SECONDS }))
    let alarm = setTimeout(silent, SILENT_SECONDS * 1000)
    signal.addEventListener('abort', stopped)
    worker.on('error', (error: Error & { code?: string }) =>
      end(() => (error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? resolve({ code: 'folio-too-heavy' }) : reject(error))),
    )
    worker.on('exit', () => end(() => reject(new Error('the thread ended'))))
    worker.on('message', (done: PublishDone) => {
      clearTimeout(alarm)
      alarm = setTimeout(silent, SILENT_SECONDS * 1000)
      if ('made' in done) end(() => resolve(done.made))
      else if ('fault' in done) end(() => reject(new Error(done.fault)))
      else progress(done.done, done.total)
    })
    worker.postMessage(job)
  })
}
