/** Figures by seed, for properties: flowcharts with questions, returns, long and short words in several scripts; points. */
import { frames, type Figure, type FigureKind, type FigureLink, type FigureNode } from '../figure'
import { arrangementsOf } from '../layout'
import { random } from '../quantity'

export { random }

const WORDS =
  'check the ramp moorings lower bridge count cars deck wet sand gates lorries first chock lash bow door report purser tag cage owner notice master approve loudspeaker gangway horn lookout half speed swell ebb quay radar fog visibility'.split(
    ' ',
  )
const FOREIGN = [
  'Überprüfen Sie die Festmacherleinen',
  'घाट की जाँच करें',
  'تحقق من المنحدر قبل الإبحار',
  'Vérifier l’amarrage à l’arrière',
  'Проверить швартовы',
  'Lock → seal ≥ 3',
]

const blank: Omit<Figure, 'id' | 'kind' | 'nodes' | 'links' | 'arrangement' | 'frame'> = {
  title: 'Seeded',
  language: 'en',
  houseStyle: '',
  dress: {},
  passage: null,
  wasRead: { text: '', nodes: {}, links: {} },
}

/** `size` is the number of nodes; left to the seed, it is 3 to 60. */
export function seededFigure(seed: number, wanted?: 'process' | 'points', size?: number): Figure {
  const next = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T
  const words = (most: number): string =>
    next() < 0.08 ? pick(FOREIGN) : Array.from({ length: 1 + Math.floor(next() * most) }, () => pick(WORDS)).join(' ')
  const drawn = 3 + Math.floor(next() ** 2 * 58)
  const count = size ?? drawn
  const some = next() < 0.15
  const points = wanted ? wanted === 'points' : some
  const nodes: FigureNode[] = Array.from({ length: points ? Math.min(count, 16) : count }, (_, i) => {
    const role = points ? 'point' : next() < 0.2 ? 'question' : i > 0 && next() < 0.06 ? 'end' : 'step'
    const detail = (points && next() < 0.6) || next() < 0.05 ? { detail: words(14) } : {}
    return { id: `n${i}`, role, text: words(next() < 0.1 ? 24 : 6), order: i, source: [], ...detail }
  })
  const links: FigureLink[] = []
  const link = (from: number, to: number, text: string) => {
    if (from !== to && to >= 0 && to < nodes.length)
      links.push({
        id: `l${links.length}`,
        role: 'next',
        from: `n${from}`,
        to: `n${to}`,
        order: links.length,
        source: [],
        ...(text ? { text } : {}),
      })
  }
  if (!points)
    nodes.forEach((n, i) => {
      if (n.role === 'end') return
      link(i, i + 1, n.role === 'question' ? 'yes' : '')
      if (n.role === 'question')
        link(i, next() < 0.25 ? Math.floor(next() * i) : i + 2 + Math.floor(next() * 4), next() < 0.1 ? words(4) : 'no')
      else if (next() < 0.04) link(i, Math.floor(next() * nodes.length), '')
    })
  const kind = points ? 'points' : 'process'
  return {
    ...blank,
    id: `seed-${seed}`,
    kind,
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
    links: Object.fromEntries(links.map((l) => [l.id, l])),
    arrangement: pick(arrangementsOf(kind)).id,
    frame: pick(frames),
  }
}

/** Figures of the kinds without an order: trees, maps with labelled links, sets with members, decisions with chances. */
export function seededOfKind(kind: FigureKind, seed: number): Figure {
  if (kind === 'process' || kind === 'points') return seededFigure(seed, kind)
  const next = random(seed * 7919 + kind.length)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T
  const words = (most: number): string =>
    next() < 0.08 ? pick(FOREIGN) : Array.from({ length: 1 + Math.floor(next() * most) }, () => pick(WORDS)).join(' ')
  // Large maps are rare, and slow to draw.
  const count = 3 + Math.floor(next() ** (kind === 'concept' ? 3 : 2) * 58)
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const node = (role: FigureNode['role'], more: Partial<FigureNode> = {}) =>
    nodes.push({
      id: `n${nodes.length}`,
      role,
      text: words(next() < 0.1 ? 16 : 4),
      order: nodes.length,
      source: [],
      ...more,
    })
  const link = (role: FigureLink['role'], from: number, to: number, text = '') =>
    links.push({
      id: `l${links.length}`,
      role,
      from: `n${from}`,
      to: `n${to}`,
      order: links.length,
      source: [],
      ...(text ? { text } : {}),
    })
  if (kind === 'venn') {
    const sets = 2 + Math.floor(next() * 4)
    for (let i = 0; i < sets; i++) node('set')
    for (let i = sets; i < sets + Math.min(count, 18); i++) {
      const own = Array.from({ length: sets }, (_, k) => `n${k}`).filter(() => next() < 0.45)
      node('member', { memberOf: own.length > 0 ? own : [`n${Math.floor(next() * sets)}`] })
    }
  } else
    for (let i = 0; i < count; i++) {
      node(
        kind === 'hierarchy'
          ? 'item'
          : kind === 'concept'
            ? 'concept'
            : i === 0
              ? 'choice'
              : pick(['option', 'outcome', 'criterion'] as const),
      )
      if (i > 0 && (kind !== 'hierarchy' || next() < 0.95))
        link(
          kind === 'hierarchy' ? 'child' : kind === 'concept' ? 'relation' : 'leads',
          Math.floor(next() * i),
          i,
          kind === 'hierarchy' || next() < 0.3 ? '' : kind === 'decision' ? '30%' : words(2),
        )
      if (kind === 'concept' && i > 1 && next() < 0.35) link('relation', i, Math.floor(next() * i), words(2))
    }
  return {
    ...blank,
    id: `${kind}-${seed}`,
    kind,
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
    links: Object.fromEntries(links.map((l) => [l.id, l])),
    arrangement: pick(arrangementsOf(kind)).id,
    frame: pick(frames),
  }
}

/** The same value, frozen to its last leaf. */
export function frozen<T>(value: T): T {
  if (value !== null && typeof value === 'object' && !Object.isFrozen(value)) {
    Object.freeze(value)
    Object.values(value).forEach(frozen)
  }
  return value
}

/** Runs a property over seeds and gives the seeds for which it did not hold, with what it said. */
export function failingSeeds(from: number, to: number, property: (seed: number) => string | null): string[] {
  const out: string[] = []
  for (let seed = from; seed < to; seed++) {
    const said = property(seed)
    if (said !== null) out.push(`seed ${seed}: ${said}`)
  }
  return out
}
