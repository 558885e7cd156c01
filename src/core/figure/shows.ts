/** Data in a figure: rules that turn what a sheet says of nodes into colour, size, words, thickness of lines. The values are in
 *  the nodes, so that a picture is a function of its figure. */
import { quantityIn, withUnit } from '../quantity'
import type { Hue } from './hue'
import { linksInOrder, nodesInOrder, type Figure, type FigureLink, type FigureNode, type NodeId } from './figure'
import type { Show } from './figureSchema'

/** What a node has in a column, as it is written. */
export const cellOf = (n: FigureNode | undefined, column: string): string => String(n?.fields?.[column] ?? '').trim()

/** “Waiting (min)”: the unit of a column, where its head says one. */
export const unitOfHead = (column: string): string => /[([]\s*([^)\]]+?)\s*[)\]]\s*$/.exec(column)?.[1] ?? ''
const bareHead = (column: string): string => column.replace(/\s*[([][^)\]]*[)\]]\s*$/, '')

/** Its value there with its unit, from the cell or from the head; null where it is no number. */
export function valueAt(
  n: FigureNode | undefined,
  column: string,
): { readonly value: number; readonly unit: string } | null {
  const q = quantityIn(cellOf(n, column))
  return q && { value: q.likely, unit: q.unit || unitOfHead(column) }
}

/** How the values of a column lie: on a scale, in steps, or in groups of the same words. */
export type Scale =
  | { readonly by: 'range'; readonly least: number; readonly most: number; readonly unit: string }
  | { readonly by: 'steps'; readonly steps: readonly number[]; readonly unit: string }
  | { readonly by: 'words'; readonly words: readonly string[] }

/** Null where no node has anything in the column. */
export function scaleOf(f: Figure, { column, steps }: Show): Scale | null {
  const nodes = nodesInOrder(f).filter((n) => cellOf(n, column) !== '')
  const values = nodes.flatMap((n) => valueAt(n, column) ?? [])
  if (nodes.length === 0) return null
  if (values.length < nodes.length) return { by: 'words', words: [...new Set(nodes.map((n) => cellOf(n, column)))] }
  const unit = values[0]?.unit ?? ''
  if (steps && steps.length > 0) return { by: 'steps', steps: steps.toSorted((a, b) => a - b), unit }
  const numbers = values.map((v) => v.value)
  return { by: 'range', least: Math.min(...numbers), most: Math.max(...numbers), unit }
}

/** Where a value lies on its scale, from 0 to 1; of words, by their place among the others. Null for what has none. */
export function shareOn(scale: Scale, n: FigureNode | undefined, column: string): number | null {
  if (scale.by === 'words') {
    const i = scale.words.indexOf(cellOf(n, column))
    return i < 0 ? null : i / Math.max(1, scale.words.length - 1)
  }
  const value = valueAt(n, column)?.value
  if (value === undefined) return null
  if (scale.by === 'steps') return scale.steps.filter((s) => value >= s).length / scale.steps.length
  return scale.most > scale.least ? (value - scale.least) / (scale.most - scale.least) : 1
}

/** Which stretch of its scale a node is in, as a legend counts them: an even scale has three. Null for what has none. */
export function stretchOn(scale: Scale, n: FigureNode | undefined, column: string): number | null {
  const share = shareOn(scale, n, column)
  if (share === null) return null
  const last = scale.by === 'words' ? scale.words.length - 1 : scale.by === 'steps' ? scale.steps.length : 2
  return scale.by === 'range' ? Math.min(last, Math.floor(share * 3)) : Math.round(share * last)
}

/** The colour of a place on a scale: words are told apart, numbers lie between two ends. */
export const hueOn = (scale: Scale, n: FigureNode, column: string): Hue | null => {
  const share = shareOn(scale, n, column)
  if (share === null) return null
  return scale.by === 'words' ? { by: 'series', index: scale.words.indexOf(cellOf(n, column)) } : { by: 'share', share }
}

/** What each stretch of a scale is called in a legend. */
export function legendOf(
  scale: Scale,
  names: readonly string[] | undefined,
  told: (x: number) => string,
): readonly string[] {
  if (scale.by === 'words') return scale.words
  const { unit } = scale
  const say = (x: number) => withUnit(told(x), unit)
  if (scale.by === 'range') return [scale.least, (scale.least + scale.most) / 2, scale.most].map(say)
  const { steps } = scale
  return [...steps, Infinity].map((s, i) => {
    const before = steps[i - 1]
    return (
      names?.[i] ||
      (before === undefined ? `< ${say(s)}` : s === Infinity ? `≥ ${say(before)}` : `${told(before)}–${say(s)}`)
    )
  })
}

/** “{Waiting} min a run”: the template with what the node has in the columns named; empty where it lacks one. */
export function filledIn(template: string, n: FigureNode): string {
  let lacks = false
  const words = template.replace(/\{([^}]+)\}/g, (_, name: string) => {
    const column = Object.keys(n.fields ?? {}).find(
      (c) => c === name || bareHead(c).toLowerCase() === name.toLowerCase(),
    )
    const cell = column === undefined ? '' : cellOf(n, column)
    lacks ||= cell === ''
    return cell
  })
  return lacks ? '' : words
}

/** What a rule says in words of a node: by its template, else the value with its unit. */
function said(show: Show, n: FigureNode): string {
  if (show.template) return filledIn(show.template, n)
  const [cell, value] = [cellOf(n, show.column), valueAt(n, show.column)]
  return value && /^[-−\d.,]+$/.test(cell) ? withUnit(cell, value.unit) : cell
}

/** The nodes that a rule has nothing to say of. */
export const uncovered = (f: Figure, show: Show): readonly FigureNode[] =>
  nodesInOrder(f).filter((n) => (show.as === 'words' ? said(show, n) === '' : cellOf(n, show.column) === ''))

const [SMALL, LARGE] = [
  { width: 90, height: 36 },
  { width: 250, height: 100 },
]
const [THIN, THICK] = [0.8, 4]

/** Roles whose colour says nothing by itself. */
const PLAIN: readonly FigureNode['role'][] = ['step', 'concept', 'item', 'member', 'option', 'outcome', 'point']

type Change = (f: Figure, show: Show, scale: Scale) => Figure
const changes: Readonly<Record<Show['as'], Change>> = {
  // What nothing is known of has no colour, lest it be read as one of the scale.
  colour: (f, show) => ({
    ...eachNode(f, (n) =>
      cellOf(n, show.column) === '' && PLAIN.includes(n.role) ? { look: { fill: 'none', ...n.look } } : {},
    ),
    dress: { ...f.dress, colouring: 'data' },
  }),
  words: (f, show) =>
    eachNode(f, (n) => {
      const words = said(show, n)
      return words === '' ? {} : { duration: [n.duration, words].filter(Boolean).join(' · ') }
    }),
  icon: (f, show, scale) =>
    eachNode(f, (n) => {
      const icon = show.icons?.[stretchOn(scale, n, show.column) ?? -1]
      return icon && n.icon === undefined ? { icon } : {}
    }),
  // These two are set among the words of their node.
  badge: (f) => f,
  chart: (f) => f,
  // Larger for more, between a least and a largest size: a hint, not a measure.
  size: (f, show, scale) =>
    eachNode(f, (n) => {
      const share = shareOn(scale, n, show.column)
      if (share === null) return {}
      const by = (k: 'width' | 'height') => Math.round(SMALL[k] + (LARGE[k] - SMALL[k]) * Math.sqrt(share))
      return { size: { width: by('width'), height: by('height') } }
    }),
  thickness: (f, show, scale) => ({
    ...f,
    links: Object.fromEntries(
      linksInOrder(f).map((l): [string, FigureLink] => {
        const share = shareOn(scale, f.nodes[l.to], show.column)
        if (share === null || l.look?.thickness !== undefined) return [l.id, l]
        return [l.id, { ...l, look: { ...l.look, thickness: THIN + (THICK - THIN) * share } }]
      }),
    ),
  }),
}

const eachNode = (f: Figure, change: (n: FigureNode) => Partial<FigureNode>): Figure => ({
  ...f,
  nodes: Object.fromEntries(
    Object.entries(f.nodes).map(([id, n]) => [id, { ...n, ...change(n) }] as [NodeId, FigureNode]),
  ),
})

/** What rules put into a node besides its own words: badges, and the bars of a small chart, from 0 to 1 of its width. */
export type Marked = {
  readonly badges: readonly { readonly words: string; readonly hue: Hue }[]
  readonly bars: readonly { readonly from: number; readonly to: number; readonly hue: Hue }[]
}

/** The colour of a bar: behind those that tell words apart in other rules. */
export function barHue(f: Figure, index: number): Hue {
  const told = (f.shows ?? []).map((show) => {
    const scale = show.as === 'colour' || show.as === 'badge' ? scaleOf(f, show) : null
    return scale?.by === 'words' ? scale.words.length : 0
  })
  return { by: 'series', index: Math.max(0, ...told) + index }
}

/** The columns of a small chart. */
export const chartColumns = (show: Show): readonly string[] => [...new Set([show.column, ...(show.beside ?? [])])]

/** The ends of the bars of a column: they begin at nothing, so that lengths can be compared. */
export function barEnds(f: Figure, column: string): { readonly least: number; readonly most: number } {
  const values = nodesInOrder(f).flatMap((n) => valueAt(n, column)?.value ?? [])
  return { least: Math.min(0, ...values), most: Math.max(0, ...values) }
}

/** By node; nodes that no rule speaks of are not in it. */
export function markedBy(f: Figure): ReadonlyMap<NodeId, Marked> {
  const shows = f.shows ?? []
  const badges = shows.flatMap((show) => {
    const scale = show.as === 'badge' ? scaleOf(f, show) : null
    return scale ? [{ show, scale }] : []
  })
  const columns = shows.flatMap((show) => (show.as === 'chart' ? chartColumns(show) : []))
  const ends = columns.map((column, i) => ({ column, hue: barHue(f, i), ...barEnds(f, column) }))
  if (badges.length === 0 && columns.length === 0) return new Map()
  return new Map(
    nodesInOrder(f).flatMap((n): [NodeId, Marked][] => {
      const own = badges.flatMap(({ show, scale }) => {
        const hue = hueOn(scale, n, show.column)
        const name = scale.by === 'steps' ? show.names?.[stretchOn(scale, n, show.column) ?? -1] : undefined
        return hue ? [{ words: name || said(show, n), hue }] : []
      })
      const bars = ends.map(({ column, hue, least, most }) => {
        const value = valueAt(n, column)?.value ?? 0
        const at = (x: number) => (most > least ? (x - least) / (most - least) : 0)
        return { from: at(Math.min(0, value)), to: at(Math.max(0, value)), hue }
      })
      const known = columns.some((c) => valueAt(n, c) !== null)
      return own.length > 0 || known ? [[n.id, { badges: own, bars: known ? bars : [] }]] : []
    }),
  )
}

/** “Numbers as of 2026-11-30”, in the languages that the interface has. */
const AS_OF: Readonly<Record<string, string>> = { en: 'Numbers as of', de: 'Zahlen vom' }

/** The figure with its data shown, and the date of its numbers in the line of its source; the same figure where it has none. */
export function withData(f: Figure): Figure {
  const shows = f.shows ?? []
  if (shows.length === 0) return f
  const shown = shows.reduce((g, show) => {
    const scale = scaleOf(f, show)
    return scale ? changes[show.as](g, show, scale) : g
  }, f)
  if (!f.data) return shown
  const asOf = `${AS_OF[f.language.slice(0, 2)] ?? AS_OF.en} ${f.data.at}`
  return { ...shown, sourceLine: [f.sourceLine, `${f.data.name}. ${asOf}`].filter(Boolean).join(' · ') }
}
