/** The thread that looks at one font. In: its bytes. Out: the font, or what is wrong with it. */
import { parentPort } from 'node:worker_threads'
import type { Done } from './fontThread'
import { readFont } from './readFont'

parentPort?.on('message', (bytes: Uint8Array) => {
  void readFont(bytes).then((read) => parentPort?.postMessage({ read } satisfies Done))
})
