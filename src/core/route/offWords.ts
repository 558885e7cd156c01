/** Connectors that run through the words of another are led anew, around all words as around nodes; kept where that is
 *  better. Words are placed after lines, so that most stand free; what is left here is where lines are dense. */
import { inflate, overlaps, segmentEnters, segments } from '../geometry'
import type { LinkId } from '../figure'
import type { Placed } from '../layout'
import { crossingCount, type Budget } from './judge'
import type { Route } from './routed'

const ROUNDS = 12
/** What one trial costs of the budget for each pair of connectors: all are led into a grid and compared. */
const EACH = 12
/** With more lines through words a drawing is too dense to be mended. */
const MOST = 24

/** `again` leads connectors anew beside those kept, and places their words. */
export function offWords(
  routes: Route[],
  placed: Placed,
  again: (kept: readonly Route[], open: readonly LinkId[]) => Route[],
  budget: Budget,
): Route[] {
  let best = routes
  if (culprits(best).length === 0) return best
  let price = priceOf(best, placed)
  // What did not help is not tried again.
  const tried = new Set<string>()
  for (let round = 0; round < ROUNDS; round++) {
    const found = culprits(best)
    if (found.length === 0 || found.length > MOST) return best
    let better = false
    for (const open of found.flatMap(({ line, words }) => [[line], [words], [line, words]])) {
      const key = open.join(' ')
      if (tried.has(key)) continue
      if (budget.left < 0) return best
      budget.left -= best.length * best.length * EACH
      const next = again(
        best.filter((r) => !open.includes(r.id)),
        open,
      )
      const cost = priceOf(next, placed)
      if (cost >= price) {
        tried.add(key)
        continue
      }
      best = next
      price = cost
      better = true
      break
    }
    if (!better) return best
  }
  return best
}

/** A line through somebody else's words, and whose those are. */
function culprits(routes: readonly Route[]): { readonly line: LinkId; readonly words: LinkId }[] {
  const boxes = routes.flatMap((r) => (r.label ? [{ id: r.id, box: r.label.box }] : []))
  return routes.flatMap((r) =>
    boxes.flatMap(({ id, box }) =>
      id !== r.id && segments(r.points).some(([a, b]) => segmentEnters(a, b, box)) ? [{ line: r.id, words: id }] : [],
    ),
  )
}

/** In crossings. */
function priceOf(routes: readonly Route[], placed: Placed): number {
  const labels = routes.flatMap((r) => (r.label ? [r.label.box] : []))
  const boxes = placed.nodes.map((n) => ({ id: n.id, box: n.box }))
  const onNodes = labels.filter((l) => boxes.some((n) => overlaps(l, n.box))).length
  const onLabels = labels.filter((l, i) => labels.some((o, k) => k > i && overlaps(l, o))).length
  const through = routes.filter((r) =>
    boxes.some(
      ({ id, box }) =>
        id !== r.from && id !== r.to && segments(r.points).some(([a, b]) => segmentEnters(a, b, inflate(box, -0.01))),
    ),
  ).length
  return (onNodes + onLabels + through) * 100 + culprits(routes).length * 3 + crossingCount(routes)
}
