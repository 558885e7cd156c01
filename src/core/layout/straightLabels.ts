/** Room for the words on straight connectors: whether each can stand in the middle of its line, off nodes and other words. */
import { boxAround, centreOf, cornersOf, inflate, leaves, overlaps, type Box } from '../geometry'
import type { Sized } from '../measure'

/** True when all words find room. Lines that other nodes stand in the way of are led around them and not looked at. */
export function wordsFindRoom(sized: Sized, boxes: ReadonlyMap<string, Box>): boolean {
  const pad = sized.style.body.size * 0.2
  const all = [...boxes.values()]
  const words = sized.links.flatMap((l) => {
    const [a, b] = [boxes.get(l.from), boxes.get(l.to)]
    if (!l.label || !a || !b || a === b) return []
    const [from, to] = [centreOf(a), centreOf(b)]
    const [p, q] = [leaves(cornersOf(a), from, to), leaves(cornersOf(b), to, from)]
    return [inflate(boxAround({ x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }, l.label), pad)]
  })
  return words.every((w, i) => !all.some((b) => overlaps(b, w)) && !words.some((o, k) => k > i && overlaps(o, w)))
}

/** The same places, farther and farther apart until the words find room, at most this many times. */
const SPREADS = 14
const SPREAD = 1.09

export function spreadForWords(sized: Sized, boxes: ReadonlyMap<string, Box>): ReadonlyMap<string, Box> {
  let now = boxes
  for (let i = 0; i < SPREADS && !wordsFindRoom(sized, now); i++)
    now = new Map(
      [...now].map(([id, b]) => {
        const c = centreOf(b)
        return [id, boxAround({ x: c.x * SPREAD, y: c.y * SPREAD }, b)] as const
      }),
    )
  return now
}
