/** A process as numbers: what each step takes, costs and waits, and where one goes from it with what chance. */
import { linksInOrder, nodesInOrder, type Figure, type FigureNode, type LinkId, type NodeId } from '../figure'
import { converted, factor, quantityIn, type Quantity } from '../quantity'

/** What is told of a step besides how long it takes: columns of its own, by how they are called. */
export const stepColumns = {
  takes: /^(?:takes|duration|time|work|dauer|arbeit)\b/i,
  waits: /^(?:waits?|waiting|queue|delay|idle|wartet?|wartezeit)\b/i,
  costs: /^(?:costs?|price|fee|kosten|preis)\b/i,
} as const
export type StepColumn = keyof typeof stepColumns

export type Step = {
  readonly id: NodeId
  readonly actor: string | null
  /** In minutes. */
  readonly takes: Quantity
  readonly waits: Quantity
  readonly costs: Quantity
}
export type Way = {
  readonly link: LinkId
  readonly to: NodeId
  readonly chance: number
  /** Gone together with its neighbours, not instead of them. */
  readonly beside: boolean
}
export type Flow = {
  readonly first: NodeId
  readonly steps: ReadonlyMap<NodeId, Step>
  readonly ways: ReadonlyMap<NodeId, readonly Way[]>
  /** How many parallel ways have to have come in before a step begins; 1 for all others. */
  readonly joins: ReadonlyMap<NodeId, number>
  readonly money: string
  /** Questions whose answers have no chances: all were taken to be as likely as each other. */
  readonly assumed: readonly NodeId[]
  /** What was written and could not be read as a value, or not beside the others. */
  readonly unread: readonly { readonly node: NodeId; readonly column: StepColumn; readonly words: string }[]
}

const NOTHING: Quantity = { low: 0, likely: 0, high: 0, unit: '' }

/** Null for what is no process, has no step, begins in several places, or tells no number. */
export function flowOf(figure: Figure): Flow | null {
  if (figure.kind !== 'process') return null
  const nodes = nodesInOrder(figure)
  const links = linksInOrder(figure).filter((l) => l.from !== l.to)
  const first = firstOf(nodes, new Set(links.map((l) => l.to)))
  if (!first) return null
  const unread: { node: NodeId; column: StepColumn; words: string }[] = []
  const money = nodes.flatMap((n) => read(n, 'costs')?.unit ?? [])[0] ?? ''
  const told = (n: FigureNode, column: StepColumn): Quantity => {
    const words = wordsOf(n, column)
    if (words === '') return NOTHING
    const q = inUnit(read(n, column), column === 'costs' ? money : 'min')
    if (!q) unread.push({ node: n.id, column, words })
    return q ?? NOTHING
  }
  const steps = new Map(
    nodes.map((n): [NodeId, Step] => [
      n.id,
      { id: n.id, actor: n.actor ?? null, takes: told(n, 'takes'), waits: told(n, 'waits'), costs: told(n, 'costs') },
    ]),
  )
  if (![...steps.values()].some((s) => s.takes.high > 0 || s.waits.high > 0 || s.costs.high !== 0)) return null
  const assumed: NodeId[] = []
  const ways = new Map(nodes.map((n) => [n.id, waysFrom(n.id, links, assumed)]))
  const joins = new Map(
    nodes.map((n) => [
      n.id,
      Math.max(1, links.filter((l) => l.to === n.id && l.role === 'beside' && !forks(links, l.from)).length),
    ]),
  )
  return { first, steps, ways, joins, money, assumed, unread }
}

/** Where one leaves by several ways at once. */
const forks = (links: readonly { from: string; role: string }[], id: NodeId): boolean =>
  links.filter((l) => l.from === id && l.role === 'beside').length > 1

function firstOf(nodes: readonly FigureNode[], led: ReadonlySet<NodeId>): NodeId | null {
  const starts = nodes.filter((n) => n.role === 'start')
  const bare = starts.length > 0 ? starts : nodes.filter((n) => !led.has(n.id))
  return bare.length === 1 ? (bare[0]?.id ?? null) : bare.length === 0 ? (nodes[0]?.id ?? null) : null
}

/** As it stands in the figure: its own field, or a column that is called so. */
export function wordsOf(n: FigureNode, column: StepColumn): string {
  if (column === 'takes' && n.duration) return n.duration
  const own = Object.entries(n.fields ?? {}).find(([name]) => stepColumns[column].test(name))
  return own ? String(own[1]).trim() : ''
}

/** A column may name the unit of all in its head: “Waiting (min)”. */
function read(n: FigureNode, column: StepColumn): Quantity | null {
  const q = quantityIn(wordsOf(n, column))
  if (!q || q.unit !== '') return q
  const name = Object.keys(n.fields ?? {}).find((f) => stepColumns[column].test(f)) ?? ''
  return { ...q, unit: /[([]\s*([^)\]]+?)\s*[)\]]/.exec(name)?.[1] ?? '' }
}

/** Bare numbers are in the unit of the others; times without one are minutes. */
const inUnit = (q: Quantity | null, unit: string): Quantity | null =>
  q && (q.unit === '' ? { ...q, unit } : factor(q.unit, unit) === null ? null : converted(q, unit))

function waysFrom(
  id: NodeId,
  links: readonly ReturnType<typeof linksInOrder>[number][],
  assumed: NodeId[],
): readonly Way[] {
  const out = links.filter((l) => l.from === id)
  if (out.length > 1 && out.every((l) => l.role === 'beside'))
    return out.map((l) => ({ link: l.id, to: l.to, chance: 1, beside: true }))
  const given = out.reduce((s, l) => s + (l.probability ?? 0), 0)
  const open = out.filter((l) => l.probability === undefined).length
  if (open > 0 && out.length > 1) assumed.push(id)
  const rest = open > 0 ? Math.max(0, 1 - given) / open : 0
  const whole = given + rest * open
  return out.map((l) => ({
    ...{ link: l.id, to: l.to, beside: false },
    chance: whole > 0 ? (l.probability ?? rest) / whole : 1 / out.length,
  }))
}

/** “6 per hour”, “40 a day”: how many a minute; null for what is no rate. */
export function rateIn(words: string): number | null {
  const found = /^(.*?)\s*(?:per|an?|each|every|\/|pro|je)\s*(\p{L}+)$/iu.exec(words.trim())
  const count = quantityIn(found?.[1]?.replace(/[^\d.,’'\s]+$/u, '') ?? '')
  const unit = found ? factor(found[2] ?? '', 'min') : null
  return count && unit && count.likely > 0 ? count.likely / unit : null
}

export const hasParallels = (flow: Flow): boolean => [...flow.ways.values()].some((ways) => ways.some((w) => w.beside))
