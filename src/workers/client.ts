/** The page's compute workers, each started when first asked for. */
import * as Comlink from 'comlink'
import type { Compute } from './computeApi'

export { COMING, DRAWS, TRIALS, type Hundredths, type RunsTold } from './reckonTypes'
export type { Changed, Compute, Proving, ReadAnswer } from './computeApi'
export type ComputeClient = Comlink.Remote<Compute>

type Client = { readonly worker: Worker; readonly api: ComputeClient }
const clients = new Map<string, Client>()

function clientNamed(name: string): ComputeClient {
  const known = clients.get(name)
  if (known) return known.api
  const worker = new Worker(new URL('./compute.worker.ts', import.meta.url), { type: 'module', name: 'compute' })
  worker.onerror = (e) =>
    console.error(`The drawing worker failed: ${e.message}. Reload the page; your words are kept.`)
  const made = { worker, api: Comlink.wrap<Compute>(worker) }
  clients.set(name, made)
  return made.api
}

/** The worker for what somebody is waiting for. */
export const compute = (): ComputeClient => clientNamed('first')
/** Another one for pictures beside the work, so that what is under the hand never waits for them. */
export const computeAside = (): ComputeClient => clientNamed('aside')
