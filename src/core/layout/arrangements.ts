import type { FigureKind } from '../figure'
import type { Sized, TextBlock } from '../measure'
import { layered } from './layered/layered'
import type { Arranged } from './placed'
import { ring } from './ring'
import { rows } from './rows'
import { tree } from './tree'
import { circles, panels } from './venn'

type ArrangementRow = {
  readonly name: string
  readonly arrange: (sized: Sized, core: TextBlock) => Arranged
}

/** The ways to lay each kind out, first the one taken when nobody chose. */
export const arrangements = {
  process: {
    down: { name: 'Down the page', arrange: (s) => layered(s, 'down') },
    across: { name: 'Across', arrange: (s) => layered(s, 'across') },
    rows: { name: 'Wrapped rows', arrange: (s) => rows(s, s.style.gap.between, s.style.gap.between) },
  },
  points: {
    grid: {
      name: 'Grid',
      arrange: (s) => ({ ...rows(s, s.style.gap.beside / 2, s.style.gap.beside / 2), flow: 'none' }),
    },
    ring: { name: 'Ring', arrange: (s, core) => ring(s, core) },
  },
  concept: {
    layers: { name: 'Layers', arrange: (s) => layered(s, 'down') },
    across: { name: 'Across', arrange: (s) => layered(s, 'across') },
  },
  hierarchy: {
    down: { name: 'Down the page', arrange: (s) => tree(s, 'down') },
    across: { name: 'Across', arrange: (s) => tree(s, 'across') },
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

/** The row of an arrangement; a name the kind does not have means the kind's first. Null when the kind has none. */
export function arrangementRow(kind: FigureKind, name: string): (ArrangementRow & { readonly id: string }) | null {
  const rows = arrangementsOf(kind)
  return rows.find((r) => r.id === name) ?? rows[0] ?? null
}
