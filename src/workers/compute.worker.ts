import * as Comlink from 'comlink'
import { createCompute } from './computeApi'

Comlink.expose(
  createCompute(async (key) => {
    const response = await fetch(`/fonts/${key}.ttf`)
    if (!response.ok) throw new Error(`the font ${key} could not be loaded (status ${response.status}); reload the page`)
    return new Uint8Array(await response.arrayBuffer())
  }),
)
