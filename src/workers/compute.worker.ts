import * as Comlink from 'comlink'
import { EDITION } from '@/core/syntax'
import type { Compute } from './computeApi'

// HarfBuzz makes its module wait for WASM. A message that came in meanwhile would find no listener and be lost, so the
// listener stands at once and each call waits for the module.
const ready = import('./computeApi').then(({ createCompute }) =>
  createCompute(
    (key) => loaded(`/fonts/${key}.ttf`, `the font ${key}`),
    () => loaded(`/syntax/english.bin?edition=${EDITION}`, 'what is known of English sentences'),
  ),
)

async function loaded(address: string, name: string): Promise<Uint8Array> {
  const response = await fetch(address)
  if (!response.ok) throw new Error(`${name} could not be loaded (status ${response.status}); reload the page`)
  return new Uint8Array(await response.arrayBuffer())
}

const api: Compute = {
  warm: async (...given) => (await ready).warm(...given),
  read: async (...given) => (await ready).read(...given),
  ground: async (...given) => (await ready).ground(...given),
  suggest: async (...given) => (await ready).suggest(...given),
  arrangements: async (...given) => (await ready).arrangements(...given),
  continued: async (...given) => (await ready).continued(...given),
  draw: async (...given) => (await ready).draw(...given),
  drag: async (...given) => (await ready).drag(...given),
}
Comlink.expose(api)
