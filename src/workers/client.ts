/** The page's one compute worker, started when first asked for. */
import * as Comlink from 'comlink'
import type { Compute } from './computeApi'

export type { Compute, ReadAnswer } from './computeApi'
export type ComputeClient = Comlink.Remote<Compute>

let client: { readonly worker: Worker; readonly api: ComputeClient } | null = null

export function compute(onFailure: (message: string) => void = (m) => console.error(m)): ComputeClient {
  if (!client) {
    const worker = new Worker(new URL('./compute.worker.ts', import.meta.url), { type: 'module', name: 'compute' })
    worker.onerror = (e) => onFailure(`The drawing worker failed: ${e.message}. Reload the page; your words are kept.`)
    client = { worker, api: Comlink.wrap<Compute>(worker) }
  }
  return client.api
}
