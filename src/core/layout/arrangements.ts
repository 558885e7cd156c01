import type { Figure, FigureKind } from '../figure'
import { actorsOf, type Sized, type TextBlock } from '../measure'
import { lanes } from './lanes'
import { layered } from './layered/layered'
import type { Arranged } from './placed'
import { ring } from './ring'
import { rows } from './rows'
import { outline, tree } from './tree'
import { circles, panels } from './venn'

type ArrangementRow = {
  readonly name: string
  readonly arrange: (sized: Sized, core: TextBlock) => Arranged
  /** A long flow may be folded into columns or rows. */
  readonly folds?: true
  /** Says whether it is worth offering for a figure; always when left out. */
  readonly suits?: (figure: Figure) => boolean
}

const pointRows = (s: Sized, columns: number | null): Arranged => ({
  ...rows(s, s.style.gap.beside / 2, s.style.gap.beside / 2, columns),
  flow: 'none',
})

/** One step after another, without a branch or a return. */
const isChain = (figure: Figure): boolean => {
  const links = Object.values(figure.links)
  const ends = (end: 'from' | 'to') => new Set(links.map((l) => l[end])).size
  return (
    links.length === Object.keys(figure.nodes).length - 1 &&
    ends('from') === links.length &&
    ends('to') === links.length
  )
}

const hasActors = (figure: Figure): boolean => actorsOf(figure).length > 1

/** The ways to lay each kind out, first the one taken when nobody chose. */
export const arrangements = {
  process: {
    down: { name: 'Down the page', arrange: (s) => layered(s, 'down'), folds: true },
    across: { name: 'Across', arrange: (s) => layered(s, 'across'), folds: true },
    lanes: { name: 'Lanes by actor', arrange: (s) => lanes(s, 'across'), folds: true, suits: hasActors },
    lanesDown: { name: 'Lanes down', arrange: (s) => lanes(s, 'down'), folds: true, suits: hasActors },
    rows: {
      name: 'Wrapped rows',
      arrange: (s) => rows(s, s.style.gap.between, s.style.gap.between),
      suits: isChain,
    },
  },
  points: {
    grid: { name: 'Grid', arrange: (s) => pointRows(s, null) },
    line: { name: 'Side by side', arrange: (s) => pointRows(s, s.nodes.length) },
    list: { name: 'One below another', arrange: (s) => pointRows(s, 1) },
    ring: { name: 'Ring', arrange: (s, core) => ring(s, core) },
  },
  concept: {
    layers: { name: 'Layers', arrange: (s) => layered(s, 'down') },
    across: { name: 'Across', arrange: (s) => layered(s, 'across') },
  },
  hierarchy: {
    down: { name: 'Down the page', arrange: (s) => tree(s, 'down') },
    across: { name: 'Across', arrange: (s) => tree(s, 'across') },
    outline: { name: 'Indented list', arrange: (s) => outline(s) },
  },
  venn: {
    circles: { name: 'Circles', arrange: (s) => circles(s) },
    panels: { name: 'Panels', arrange: (s) => panels(s) },
  },
  decision: {
    tree: { name: 'Across', arrange: (s) => tree(s, 'across') },
    down: { name: 'Down the page', arrange: (s) => tree(s, 'down') },
  },
} satisfies Record<FigureKind, Record<string, ArrangementRow>>

export const arrangementsOf = (kind: FigureKind): readonly (ArrangementRow & { readonly id: string })[] =>
  Object.entries<ArrangementRow>(arrangements[kind]).map(([id, row]) => ({ id, ...row }))

/** Those worth offering for a figure. */
export const arrangementsFor = (figure: Figure): ReturnType<typeof arrangementsOf> =>
  arrangementsOf(figure.kind).filter((a) => a.suits?.(figure) ?? true)

/** The row of an arrangement; a name the kind does not have means the kind's first. Null when the kind has none. */
export function arrangementRow(kind: FigureKind, name: string): (ArrangementRow & { readonly id: string }) | null {
  const rows = arrangementsOf(kind)
  return rows.find((r) => r.id === name) ?? rows[0] ?? null
}
