import * as Comlink from 'comlink'
import type { IconIndex } from '@/core/icons'
import { ownFontHash, type FontKey } from '@/core/style'
import { EDITION } from '@/core/syntax'
import type { Compute } from './computeApi'

// HarfBuzz makes its module wait for WASM. A message that came in meanwhile would find no listener and be lost, so the
// listener stands at once and each call waits for the module.
const ready = import('./computeApi').then(({ createCompute }) =>
  createCompute(
    fontOf,
    (arrived) => loaded(`/syntax/english.bin?edition=${EDITION}`, 'what is known of English sentences', arrived),
    async () =>
      JSON.parse(new TextDecoder().decode(await loaded('/icons/index.json', 'the list of icons'))) as IconIndex,
  ),
)

/** A font that ships, or one that somebody brought: null where that is not to be had any more. */
async function fontOf(key: FontKey): Promise<Uint8Array | null> {
  const hash = ownFontHash(key)
  if (hash === null) return loaded(`/fonts/${key}.ttf`, `the font ${key}`)
  const response = await fetch(`/api/fonts/${hash}`)
  if (response.status === 404) return null
  if (!response.ok) throw new Error(`a font of the house style could not be loaded (status ${response.status})`)
  return new Uint8Array(await response.arrayBuffer())
}

/** A file of ours, whole; `arrived` hears what share of it is there. */
async function loaded(address: string, name: string, arrived: (share: number) => void = () => {}): Promise<Uint8Array> {
  const response = await fetch(address)
  if (!response.ok) throw new Error(`${name} could not be loaded (status ${response.status}); reload the page`)
  const size = Number(response.headers.get('content-length') ?? 0)
  const counted = new TransformStream<Uint8Array, Uint8Array>({
    transform(chunk, out) {
      bytes += chunk.length
      // Packed on its way, more comes out than was announced.
      if (size > 0) arrived(Math.min(1, bytes / size))
      out.enqueue(chunk)
    },
  })
  let bytes = 0
  return new Uint8Array(await new Response(response.body?.pipeThrough(counted)).arrayBuffer())
}

const api: Compute = {
  warm: async (...given) => (await ready).warm(...given),
  read: async (...given) => (await ready).read(...given),
  loaded: async () => (await ready).loaded(),
  arrived: async () => (await ready).arrived(),
  ground: async (...given) => (await ready).ground(...given),
  suggest: async (...given) => (await ready).suggest(...given),
  arrangements: async (...given) => (await ready).arrangements(...given),
  treatments: async (...given) => (await ready).treatments(...given),
  icons: async (...given) => (await ready).icons(...given),
  bestIcons: async (...given) => (await ready).bestIcons(...given),
  looks: async (...given) => (await ready).looks(...given),
  continued: async (...given) => (await ready).continued(...given),
  areaError: async (...given) => (await ready).areaError(...given),
  runs: async (...given) => (await ready).runs(...given),
  queues: async (...given) => (await ready).queues(...given),
  draws: async (...given) => (await ready).draws(...given),
  prove: async (...given) => (await ready).prove(...given),
  draw: async (...given) => (await ready).draw(...given),
  drawKept: async (...given) => (await ready).drawKept(...given),
  figureOfRows: async (...given) => (await ready).figureOfRows(...given),
  led: async (...given) => (await ready).led(...given),
  typed: async (...given) => (await ready).typed(...given),
  drag: async (...given) => (await ready).drag(...given),
}
Comlink.expose(api)
