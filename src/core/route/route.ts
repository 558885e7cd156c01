/** Stage `route`: gives every connector its path and its label a place. In: nodes with boxes. Out: paths from outline to
 *  outline, off foreign nodes and words wherever there is room. Moves nothing. */
import type { LinkId, NodeId } from '../figure'
import type { Flow, Placed } from '../layout'
import { arcRoutes } from './arcs'
import { entersBox, type Bare, type Budget } from './judge'
import { placeLabels } from './labels'
import { placeNotes } from './notes'
import { offWords } from './offWords'
import type { PlacedLabel, Route, Routed } from './routed'
import { orthogonalRoutes, type Job } from './orthogonal'
import { straightRoutes } from './straightRoutes'

const leads: Record<Flow, (placed: Placed, job: Job) => Bare[]> = {
  down: orthogonalRoutes,
  across: orthogonalRoutes,
  rows: orthogonalRoutes,
  treeDown: orthogonalRoutes,
  treeAcross: orthogonalRoutes,
  outline: orthogonalRoutes,
  none: orthogonalRoutes,
  straight: straightRoutes,
  ring: arcRoutes,
  unlinked: () => [],
}

const ROUNDS = 2
/** Comparisons of stretches for all mending of one figure: a second or two on a slow machine, and twice what the densest
 *  figure needs that somebody can read (eighty steps take a twentieth). A drag has a fraction of a frame for it. */
const BUDGET = 8_000_000
const DRAG_BUDGET = 400_000

export function route(placed: Placed): Routed {
  const lead = leads[placed.flow]
  const budget: Budget = { left: BUDGET }
  const again = (kept: readonly Route[], open: readonly LinkId[]): Route[] =>
    placeLabels(placed, lead(placed, { kept, open, rounds: ROUNDS, words: wordsOf(kept), budget }), labelsOf(kept))
  const all = placed.links.map((l) => l.id)
  return withNotes({ ...placed, routes: offWords(again([], all), placed, again, budget) })
}

/** The same connectors after the nodes in `moved` have gone elsewhere: only what touches them, or what they now cover,
 *  is led anew, once. */
export function reroute(placed: Placed, before: readonly Route[], moved: ReadonlySet<NodeId>): Routed {
  const boxes = placed.nodes.filter((n) => moved.has(n.id)).map((n) => n.box)
  const stays = (r: Route) => !moved.has(r.from) && !moved.has(r.to) && !boxes.some((b) => entersBox(r.points, b))
  const kept = before.filter(stays)
  const keptIds = new Set(kept.map((r) => r.id))
  const open = placed.links.filter((l) => !keptIds.has(l.id)).map((l) => l.id)
  const bare = leads[placed.flow](placed, { kept, open, rounds: 0, words: [], budget: { left: DRAG_BUDGET } })
  return withNotes({ ...placed, routes: placeLabels(placed, bare, labelsOf(kept)) })
}

const withNotes = (routed: Placed & { readonly routes: readonly Route[] }): Routed => ({
  ...routed,
  notes: placeNotes(routed),
})

const labelsOf = (routes: readonly Route[]): ReadonlyMap<LinkId, PlacedLabel> =>
  new Map(routes.flatMap((r) => (r.label ? [[r.id, r.label] as const] : [])))
const wordsOf = (routes: readonly Route[]) => routes.flatMap((r) => (r.label ? [r.label.box] : []))
