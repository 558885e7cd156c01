/** Files of other programs read in a thread of their own, with bounds on time and memory: none takes the server down, or keeps
 *  others from their work. A few at a time. */
import { Worker } from 'node:worker_threads'
import type { Problem } from '@/core/problem'
import { shippedFile } from '../home'
import { log } from '../log'
import type { Imported } from './readers'

export type ImportJob = { readonly name: string; readonly bytes: Uint8Array }
export type ImportDone = { readonly read: Imported | Problem } | { readonly fault: string }

const LIMIT_SECONDS = 20
/** Of the heap, beside which buffers stand whose size the gate of packed files bounds. */
const MOST_MEMORY_MB = 320
const AT_ONCE = 2

/** Starting a thread loads code, which is not the file's fault. One that has read so many begins afresh. */
const MOST_FILES = 40

type Thread = { readonly worker: Worker; files: number }
type Room = { busy: number; readonly waiting: (() => void)[]; readonly idle: Thread[] }
const held = globalThis as typeof globalThis & { compassImports?: Room }
const room = (): Room => (held.compassImports ??= { busy: 0, waiting: [], idle: [] })

/** What a file has come to, or why it was refused. Throws when the thread met a fault of ours; `signal` ends the work. */
export async function importedInThread(job: ImportJob, signal?: AbortSignal): Promise<Imported | Problem> {
  const own = room()
  if (own.busy >= AT_ONCE) await new Promise<void>((resolve) => own.waiting.push(resolve))
  own.busy++
  try {
    return await read(job, own.idle.pop() ?? started(), signal)
  } finally {
    own.busy--
    own.waiting.shift()?.()
  }
}

function started(): Thread {
  const worker = new Worker(shippedFile('bin/importWorker.mjs'), {
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB, maxYoungGenerationSizeMb: 48, stackSizeMb: 8 },
  })
  worker.unref()
  return { worker, files: 0 }
}

function read(job: ImportJob, thread: Thread, signal?: AbortSignal): Promise<Imported | Problem> {
  const heavy: Problem = { code: 'import-too-heavy', name: job.name, seconds: LIMIT_SECONDS }
  const { worker } = thread
  return new Promise((resolve, reject) => {
    const end = (settle: () => void, sound: boolean) => {
      clearTimeout(alarm)
      // The thread may be reading another file when whoever asked for this one goes away.
      signal?.removeEventListener('abort', stopped)
      worker.removeAllListeners()
      thread.files++
      if (sound && thread.files < MOST_FILES) {
        // One that ends while nobody waits for it is not taken again.
        worker.on('error', () => drop(thread))
        worker.on('exit', () => drop(thread))
        room().idle.push(thread)
      } else void worker.terminate()
      settle()
    }
    const alarm = setTimeout(() => {
      log.warn({ name: job.name, bytes: job.bytes.length }, 'a file took too long to read')
      end(() => resolve(heavy), false)
    }, LIMIT_SECONDS * 1000)
    const stopped = () => end(() => resolve(heavy), false)
    signal?.addEventListener('abort', stopped)
    worker.removeAllListeners()
    worker.on('message', (done: ImportDone) =>
      end(() => ('read' in done ? resolve(done.read) : reject(new Error(done.fault))), 'read' in done),
    )
    worker.on('error', (error: Error & { readonly code?: string }) =>
      end(() => (error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? resolve(heavy) : reject(error)), false),
    )
    worker.on('exit', () => end(() => reject(new Error('the thread ended')), false))
    worker.postMessage(job)
  })
}

function drop(thread: Thread): void {
  const { idle } = room()
  const at = idle.indexOf(thread)
  if (at >= 0) idle.splice(at, 1)
}
