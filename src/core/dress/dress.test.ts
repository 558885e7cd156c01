import { drawnFaults, routedFaults } from '../check'
import { pointIn } from '../geometry'
import { figureKinds, frames, type Figure, type FigureKind } from '../figure'
import { arrangementsFor } from '../layout'
import { routedFigure } from '../pipeline'
import { scene } from '../scene'
import { houseStyles, plainWardrobe, treatmentsFor, type Wardrobe } from '../style'
import { failingSeeds, frozen, random, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()
const styles = Object.keys(houseStyles)
/** `SWEEP=1` dresses each figure in every treatment. */
const SWEEP = process.env.SWEEP === '1'
const SEEDS = SWEEP ? 300 : 100

/** A figure as somebody might have it: with details, actors, icons and numbers here and there, and a few looks of its own. */
function furnished(kind: FigureKind, seed: number): Figure {
  const next = random(seed * 31 + 7)
  const bare = seededOfKind(kind, seed)
  const nodes = Object.values(bare.nodes).map((n) => [
    n.id,
    {
      ...n,
      ...(next() < 0.3 ? { icon: 'anchor' } : {}),
      ...(next() < 0.3 ? { actor: next() < 0.5 ? 'Mate' : 'Loading officer' } : {}),
      ...(next() < 0.2 ? { duration: '10 min' } : {}),
      ...(next() < 0.3 ? { measure: { value: Math.round(next() * 9000) - 2000, unit: '' } } : {}),
      ...(next() < 0.1 ? { look: { fill: 'series:2', step: 1 } } : {}),
      ...(next() < 0.05 ? { look: { fill: '#7a9e3d', thickness: 2, bold: true } } : {}),
      ...(next() < 0.08 ? { look: { fill: 'series:1', opacity: 0.2 + next() * 0.7, align: 'start' as const } } : {}),
    },
  ])
  return { ...bare, nodes: Object.fromEntries(nodes) }
}

test('dressed in any treatment and house style, light or dark, words and lines stand out, nothing overlaps, nothing is cut, and twice the same', () => {
  const wrong = failingSeeds(1, SEEDS + 1, (seed) => {
    const kind = figureKinds[seed % figureKinds.length] as FigureKind
    const bare = furnished(kind, seed)
    const ways = arrangementsFor(bare)
    const arrangement = ways[Math.floor(seed / 6) % ways.length]?.id ?? ''
    const figure = { ...bare, arrangement, frame: frames[Math.floor(seed / 6) % frames.length] ?? 'free' }
    const all = treatmentsFor(figure)
    const next = random(seed)
    const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T
    const wardrobe: Wardrobe = {
      theme: pick(['light', 'dark']),
      style: pick(styles),
      own: {},
      language: null,
      most: null,
      order: [],
    }
    for (const t of SWEEP ? all : [pick(all)]) {
      const language = next() < 0.2 ? 'ar' : 'en'
      const lineColour = (['source', 'target', undefined] as const)[seed % 3]
      const dress = { treatment: t.id, lineColour, ...(seed % 7 === 0 ? { colouring: 'group' as const } : {}) }
      const dressed = frozen({ ...figure, language, dress })
      const routed = routedFigure(dressed, wardrobe, typesetter)
      const drawn = scene(routed)
      const faults = [...routedFaults(routed), ...drawnFaults(drawn)].map((f) => `${f.code} ${f.what}`)
      if (faults.length > 0)
        return `${kind} ${arrangement} ${t.id}, ${wardrobe.style} ${wardrobe.theme} ${figure.frame}: ${faults.slice(0, 3).join('; ')}`
      if (
        seed % 10 === 0 &&
        JSON.stringify(scene(routedFigure(dressed, wardrobe, typesetter))) !== JSON.stringify(drawn)
      )
        return 'differs'
    }
    return null
  })
  expect(wrong).toEqual([])
})

test('read from right to left, a picture is the other way round, and its words are not', () => {
  const wrong = failingSeeds(1, 37, (seed) => {
    const figure = seededOfKind(figureKinds[seed % 6] as FigureKind, seed)
    const drawn = (language: string) => scene(routedFigure({ ...figure, language }, plainWardrobe('light'), typesetter))
    const [left, right] = [drawn('en'), drawn('ar')]
    if (Math.abs(left.width - right.width) > 0.01) return 'is as wide'
    const moved = left.nodes.filter((n, i) => {
      const b = right.nodes[i]?.box
      return !b || Math.abs(b.x - (left.width - n.box.x - n.box.width)) > 0.01 || Math.abs(b.y - n.box.y) > 0.01
    })
    return moved.length > 0 ? moved.map((n) => n.id).join() : null
  })
  expect(wrong).toEqual([])
})

test('what colours mean is said below the figure, where it does not say so itself, in the colours that are drawn', () => {
  const steps = seededOfKind('process', 7)
  const nodes = Object.fromEntries(
    Object.values(steps.nodes).map((n, i) => [
      n.id,
      { ...n, actor: i % 2 ? 'Mate' : 'Bosun', measure: { value: i * 10, unit: 'min' } },
    ]),
  )
  const told = (colouring: 'actor' | 'value' | 'role', arrangement = 'down') => {
    const figure = { ...steps, nodes, arrangement, dress: { colouring } }
    const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
    const { marks } = scene(routed)
    expect(drawnFaults(scene(routed))).toEqual([])
    const words = routed.legend.map((l) => l.block.text)
    const fills = new Set(marks.flatMap((m) => (m.mark === 'shape' && m.owner !== '' ? [m.fill] : [])))
    const patches = marks.flatMap((m) => (m.mark === 'shape' && m.owner === '' ? [m.fill] : []))
    return { words, known: patches.filter((p) => fills.has(p)).length }
  }
  expect(told('actor')).toEqual({ words: ['Bosun', 'Mate'], known: 2 })
  expect(told('value').words).toHaveLength(3)
  expect(told('role').words).toEqual([])
  expect(told('actor', 'lanes').words).toEqual([])
})

test('what a person has set is said not to show exactly where it changes nothing that is drawn', () => {
  const bare = seededOfKind('points', 5)
  const [first] = Object.keys(bare.nodes)
  const id = first as string
  const set = { fill: 'series:1', dashed: true, opacity: 0.5, thickness: 3, bold: true }
  const unheard = (treatment: string, look: object) => {
    const nodes = { ...bare.nodes, [id]: { ...bare.nodes[id], look } } as typeof bare.nodes
    return scene(routedFigure({ ...bare, nodes, dress: { treatment } }, plainWardrobe('light'), typesetter)).unheard[id]
  }
  expect(unheard('plate', set)).toBeUndefined()
  expect(unheard('open', set)).toEqual(['opacity'])
  expect(unheard('open', { dashed: true })).toEqual(['dashed'])
  expect(unheard('open', { bold: true })).toBeUndefined()
  expect(unheard('open', {})).toBeUndefined()
})

test('groups that nothing joins have colours of their own, and connectors that of what they come from', () => {
  const node = (id: string, order: number) => ({ id, order, role: 'concept' as const, text: id, source: [] })
  const link = (id: string, from: string, to: string) => ({
    id,
    from,
    to,
    order: 0,
    role: 'relation' as const,
    source: [],
  })
  const nodes = Object.fromEntries(['a', 'b', 'c', 'd'].map((id, i) => [id, node(id, i)]))
  const links = { l: link('l', 'a', 'c'), m: link('m', 'd', 'b') }
  const figure: Figure = {
    ...seededOfKind('concept', 2),
    nodes,
    links,
    dress: { colouring: 'group', lineColour: 'source' },
  }
  const { marks } = scene(routedFigure(figure, plainWardrobe('light'), typesetter))
  const colour = (owner: string) => marks.flatMap((m) => (m.owner === owner && 'line' in m ? [m.line] : []))[0]
  const [a, b, c, d, l, m] = ['a', 'b', 'c', 'd', 'l', 'm'].map(colour)
  expect([a, b]).toEqual([c, d])
  expect(a).not.toBe(b)
  expect([l, m]).toEqual([a, d])
})

test('titles on arcs stand letter by letter outside their circles, on their feet, in the order they are read', () => {
  let seen = 0
  const failing = failingSeeds(1, 60, (seed) => {
    const bare = seededOfKind('venn', seed)
    const figure = { ...bare, arrangement: 'circles', dress: { treatment: 'arcs' } }
    const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
    const drawn = scene(routed)
    for (const d of routed.decor) {
      if (d.kind !== 'arcWords') continue
      seen++
      const c = pointIn(d.centre, drawn.fit)
      const lines = drawn.marks.flatMap((m) => (m.mark === 'text' && m.owner === d.of ? m.lines : []))
      const said = lines.map((l) => l.runs.map((r) => r.text).join('')).join('')
      const name = (bare.nodes[d.of]?.text ?? '').replace(/\s+/g, '')
      if (said !== name) return `says ${said}, not ${name}`
      const at = lines.map((l) => ({
        x: (l.runs[0]?.x ?? 0) + (l.runs.at(-1)?.width ?? 0) / 2,
        y: l.baseline,
        turn: l.turn,
      }))
      const off = at.find((p) => Math.abs(Math.hypot(p.x - c.x, p.y - c.y) - d.radius * drawn.fit.scale) > 0.5)
      if (off) return `a letter of ${name} is off its arc`
      if (at.some((p) => Math.abs(p.turn) > 110)) return `a letter of ${name} stands on its head`
      const [first, last] = [at[0], at.at(-1)]
      if (first && last && first.x > last.x + 0.5) return `${name} runs backwards`
    }
    return null
  })
  expect(failing).toEqual([])
  expect(seen).toBeGreaterThan(12)
})
