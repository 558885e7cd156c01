/** Figure files made beside the server's own thread, one after the other, each within a time: a figure that is too dense
 *  keeps nobody else waiting for longer, and saving and the pages not at all. */
import { createHash } from 'node:crypto'
import { Worker } from 'node:worker_threads'
import type { Figure } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { plainWardrobe } from '@/core/style'
import { NOTHING_BROUGHT, type Brought, type FileOptions } from './figureFile'
import { shippedFile } from './home'
import { log } from './log'
import { answerWithin } from './threadAnswer'
import { plainOptions } from './files/fileTypes'

export type Job = { readonly figure: Figure; readonly options: FileOptions; readonly brought: Brought }
export type Done = { readonly made: Uint8Array | Problem } | { readonly fault: string }
type Made = Uint8Array | Problem

const LIMIT_SECONDS = 10
/** Starting a thread loads code and fonts; that is not the figure's fault. */
const START_SECONDS = 20
const REMEMBERED = 500

type Thread = {
  worker: Worker | null
  /** Ends when everything asked for so far is done. */
  last: Promise<unknown>
  /** Figures that took too long, by what was asked: asked again, they are refused at once. */
  readonly tooSlow: Set<string>
}
const held = globalThis as typeof globalThis & { compassThread?: Thread }
const thread = (): Thread => (held.compassThread ??= { worker: null, last: Promise.resolve(), tooSlow: new Set() })

/** The file of a figure, or why there is none. Throws when the thread met a fault of ours. */
export function makeFigureFile(figure: Figure, options: FileOptions, brought: Brought): Promise<Made> {
  const own = thread()
  const key = createHash('sha256')
    .update(JSON.stringify([figure, options.wardrobe]))
    .digest('base64')
  const mine = own.last.then(() =>
    own.tooSlow.has(key) ? tooSlow : made({ figure, options, brought }, () => remember(own.tooSlow, key)),
  )
  own.last = mine.catch(() => undefined)
  return mine
}

const tooSlow: Problem = { code: 'picture-too-slow', seconds: LIMIT_SECONDS }

function remember(set: Set<string>, key: string): void {
  set.add(key)
  const [oldest] = set
  if (set.size > REMEMBERED && oldest !== undefined) set.delete(oldest)
}

async function made(job: Job, onTooSlow: () => void): Promise<Made> {
  const own = thread()
  const worker = (own.worker ??= await started())
  const stop = () => {
    if (own.worker === worker) own.worker = null
    void worker.terminate()
  }
  const done = await answerWithin<Done>(worker, job, LIMIT_SECONDS)
  if (done === null) {
    stop()
    onTooSlow()
    log.warn({ figure: job.figure.id, nodes: Object.keys(job.figure.nodes).length }, 'a figure took too long')
    return tooSlow
  }
  if ('made' in done) return done.made
  stop()
  throw new Error(done.fault)
}

/** A thread with code and fonts loaded. */
async function started(): Promise<Worker> {
  // Not bundled: Node runs it as it stands, as the command line does.
  const worker = new Worker(shippedFile('bin/figureWorker.mjs'), {
    execArgv: [],
    // Far above what any figure needs; a runaway one ends its thread instead of the machine.
    resourceLimits: { maxOldGenerationSizeMb: 1500 },
  })
  worker.on('exit', () => {
    if (thread().worker === worker) thread().worker = null
  })
  worker.unref()
  const ready = await answerWithin<Done>(worker, WARM, START_SECONDS)
  if (ready === null || 'fault' in ready) {
    void worker.terminate()
    throw new Error(`the thread for figure files did not start: ${ready?.fault ?? 'no answer'}`)
  }
  return worker
}

/** The smallest figure there is. */
const WARM: Job = {
  figure: {
    id: 'warm',
    kind: 'points',
    title: '',
    language: 'en',
    nodes: { a: { id: 'a', role: 'point', text: 'a', order: 1, source: [] } },
    links: {},
    arrangement: '',
    frame: 'free',
    houseStyle: '',
    dress: {},
    passage: null,
    wasRead: { text: '', nodes: {}, links: {} },
  },
  options: {
    ...plainOptions,
    format: 'svg',
    wardrobe: plainWardrobe('light'),
    background: false,
  },
  brought: NOTHING_BROUGHT,
}
