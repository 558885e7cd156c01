/** Fonts that people bring are looked at in a thread of their own, each in a new one, within a time and a memory: one that
 *  makes a decoder run or grow without end takes nobody else down. */
import { Worker } from 'node:worker_threads'
import type { Problem } from '@/core/problem'
import { shippedFile } from './home'
import type { BroughtFont } from './readFont'
import { answerWithin } from './threadAnswer'

export type Done = { readonly read: BroughtFont | Problem }

/** With the time it takes to start. */
const LIMIT_SECONDS = 20
const MOST_MB = 256

export async function fontFrom(bytes: Uint8Array): Promise<BroughtFont | Problem> {
  const worker = new Worker(shippedFile('bin/fontWorker.mjs'), {
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  })
  try {
    const done = await answerWithin<Done>(worker, bytes, LIMIT_SECONDS)
    // Running too long or out of memory is the font's fault: the thread does nothing else.
    return done && 'read' in done ? done.read : { code: 'font-unreadable' }
  } finally {
    void worker.terminate()
  }
}
