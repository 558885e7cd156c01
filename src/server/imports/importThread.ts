/** Files of other programs, and texts that programs send, read in a thread of their own, with bounds on time and memory: none
 *  takes the server down, or keeps others from their work. A few at a time. */
import { Worker } from 'node:worker_threads'
import type { FigureKind } from '@/core/figure'
import type { Problem } from '@/core/problem'
import type { Reading } from '@/core/propose'
import { shippedFile } from '../home'
import { log } from '../log'
import type { Imported } from './readers'

type File = { readonly name: string; readonly bytes: Uint8Array }
type Text = { readonly text: string; readonly kind: FigureKind | undefined }
export type ReadJob = ({ readonly job: 'file' } & File) | ({ readonly job: 'text' } & Text)
export type ReadDone = { readonly read: unknown } | { readonly fault: string }

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
export const importedInThread = (file: File, signal?: AbortSignal): Promise<Imported | Problem> =>
  inThread<Imported | Problem>({ job: 'file', ...file }, file.name, signal)

/** The readings of a text, best first, of one kind where it is given. */
export const readInThread = (text: Text, signal?: AbortSignal): Promise<readonly Reading[] | Problem> =>
  inThread<readonly Reading[] | Problem>({ job: 'text', ...text }, 'text', signal)

async function inThread<T>(job: ReadJob, name: string, signal?: AbortSignal): Promise<T | Problem> {
  const own = room()
  if (own.busy >= AT_ONCE) await new Promise<void>((resolve) => own.waiting.push(resolve))
  own.busy++
  try {
    return await read<T>(job, name, own.idle.pop() ?? started(), signal)
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

function read<T>(job: ReadJob, name: string, thread: Thread, signal?: AbortSignal): Promise<T | Problem> {
  const heavy: Problem = { code: 'import-too-heavy', name, seconds: LIMIT_SECONDS }
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
      log.warn({ name, size: job.job === 'file' ? job.bytes.length : job.text.length }, 'it took too long to read')
      end(() => resolve(heavy), false)
    }, LIMIT_SECONDS * 1000)
    const stopped = () => end(() => resolve(heavy), false)
    signal?.addEventListener('abort', stopped)
    worker.removeAllListeners()
    worker.on('message', (done: ReadDone) =>
      end(() => ('read' in done ? resolve(done.read as T | Problem) : reject(new Error(done.fault))), 'read' in done),
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
