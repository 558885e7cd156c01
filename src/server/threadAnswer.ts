import type { Worker } from 'node:worker_threads'

/** The next answer of a thread to a job: null when it does not come within the time, a fault when the thread fails or ends. */
export function answerWithin<Done>(
  worker: Worker,
  job: unknown,
  seconds: number,
): Promise<Done | { readonly fault: string } | null> {
  return new Promise((resolve) => {
    const end = (done: Done | { readonly fault: string } | null) => {
      clearTimeout(alarm)
      worker.off('message', end)
      worker.off('error', onError)
      worker.off('exit', onExit)
      resolve(done)
    }
    const onError = (error: Error) => end({ fault: error.stack ?? error.message })
    const onExit = () => end({ fault: 'the thread ended' })
    const alarm = setTimeout(() => end(null), seconds * 1000)
    worker.on('message', end)
    worker.on('error', onError)
    worker.on('exit', onExit)
    worker.postMessage(job)
  })
}
