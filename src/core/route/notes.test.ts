import { plainWardrobe } from '../style'
import { arrangementsOf } from '../layout'
import { figureKinds, type Figure, type FigureNote } from '../figure'
import { bottom, overlaps, right, segmentEnters, segments } from '../geometry'
import { routedFigure } from '../pipeline'
import { scene } from '../scene'
import { failingSeeds, random, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()

/** Notes about nodes, links, regions and the whole, some of them put somewhere by hand. */
function withNotes(f: Figure, seed: number): Figure {
  const next = random(seed)
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(next() * list.length)]
  const sets = Object.values(f.nodes).flatMap((n) => (n.role === 'set' ? [n.id] : []))
  const about = (): FigureNote['about'] => {
    const part = pick([...Object.keys(f.nodes), ...Object.keys(f.links)])
    if (next() < 0.15 || part === undefined) return null
    return sets.length > 1 && next() < 0.5 ? { region: sets.slice(0, 1 + Math.floor(next() * sets.length)) } : { part }
  }
  const text = 'Ask the duty officer first; she may know more.'
  const notes = Array.from({ length: 1 + Math.floor(next() * 4) }, (_, i): FigureNote => {
    const off = next() < 0.4 ? { off: { x: (next() - 0.5) * 600, y: (next() - 0.5) * 400 } } : {}
    return { id: `note${i}`, text: text.slice(0, 12 + Math.floor(next() * 40)), about: about(), ...off }
  })
  return { ...f, notes: Object.fromEntries(notes.map((n) => [n.id, n])) }
}

test('notes stand over nothing that is drawn, near what they speak of, and inside the frame', () => {
  let seen = 0
  const wrong = failingSeeds(0, 42, (seed) => {
    const kind = figureKinds[seed % figureKinds.length] ?? 'process'
    const rows = arrangementsOf(kind)
    const bare = seededOfKind(kind, seed)
    const arrangement = rows[Math.floor(seed / figureKinds.length) % rows.length]?.id ?? bare.arrangement
    const figure = withNotes({ ...bare, arrangement }, seed)
    const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
    const drawn = [...routed.nodes.map((n) => n.box), ...routed.routes.flatMap((r) => (r.label ? [r.label.box] : []))]
    const lines = routed.routes.flatMap((r) => segments(r.points))
    for (const [i, note] of routed.notes.entries()) {
      seen++
      if (drawn.some((b) => overlaps(b, note.box))) return `note ${note.id} covers something`
      if (lines.some(([a, b]) => segmentEnters(a, b, note.box))) return `a line runs through note ${note.id}`
      if (routed.notes.slice(0, i).some((o) => overlaps(o.box, note.box))) return 'notes cover each other'
      if (note.about !== null && 'part' in note.about && !note.tie) return `note ${note.id} is tied to nothing`
    }
    const { notes, width, height } = scene(routed)
    return notes.every(({ box: b }) => b.x >= 0 && b.y >= 0 && right(b) <= width && bottom(b) <= height)
      ? null
      : 'a note is outside the frame'
  })
  expect(wrong).toEqual([])
  expect(seen).toBeGreaterThan(60)
})
