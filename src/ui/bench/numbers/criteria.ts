/** Options held against criteria: their marks and weights as a table, and what changes them. Pure. */
import { all, type Edit } from '@/core/document'
import { linksInOrder, nodesInOrder, type Figure, type FigureNode } from '@/core/figure'
import { quantityIn } from '@/core/quantity'
import { turned } from '@/core/reckon'

export type Criterion = {
  readonly name: string
  /** Its cells, by option; null where an option has none. */
  readonly cells: readonly (FigureNode | null)[]
  /** Of one; null where it has none, or not the same everywhere. */
  readonly weight: number | null
}
export type Criteria = {
  readonly options: readonly FigureNode[]
  readonly list: readonly Criterion[]
  readonly marks: readonly (readonly number[])[] | null
}

/** Null for what holds no options against criteria. */
export function criteriaIn(f: Figure): Criteria | null {
  const options = nodesInOrder(f).filter((n) => n.role === 'option')
  const cellOf = new Map<string, FigureNode>()
  const names: string[] = []
  for (const l of linksInOrder(f)) {
    const cell = f.nodes[l.to]
    if (cell?.role !== 'criterion' || !l.text) continue
    if (!names.includes(l.text)) names.push(l.text)
    cellOf.set(`${l.from} ${l.text}`, cell)
  }
  if (options.length < 2 || names.length < 2) return null
  const list = names.map((name): Criterion => {
    const cells = options.map((o) => cellOf.get(`${o.id} ${name}`) ?? null)
    const weights = new Set(cells.map((c) => String(c?.fields?.weight ?? '')))
    return { name, cells, weight: weights.size === 1 ? weightIn([...weights][0] ?? '') : null }
  })
  const marks = options.map((_, o) => list.map((c) => quantityIn(c.cells[o]?.text ?? '')?.likely ?? NaN))
  return { options, list, marks: marks.flat().every((m) => Number.isFinite(m)) ? marks : null }
}

const weightIn = (words: string): number | null => {
  const q = quantityIn(words)
  return q && q.likely >= 0 ? (q.unit === '%' ? q.likely / 100 : q.likely) : null
}

/** The weights as parts of one, where every criterion has its own. */
export function weightsOf({ list }: Criteria): readonly number[] | null {
  const given = list.flatMap((c) => c.weight ?? [])
  const whole = given.reduce((a, b) => a + b, 0)
  return given.length === list.length && whole > 0 ? given.map((w) => w / whole) : null
}

/** Every cell of a criterion with its weight, in percents that add up. */
export const withWeights = ({ list }: Criteria, weights: readonly number[]): Edit =>
  all(
    ...list.flatMap((c, i) =>
      c.cells.map(
        (cell): Edit | null =>
          cell && {
            do: 'setNode',
            id: cell.id,
            set: { fields: { ...cell.fields, weight: `${Math.round((weights[i] ?? 0) * 1000) / 10} %` } },
          },
      ),
    ),
  )

/** The marks of one criterion turned to 0–1, 1 being the best. */
export function withTurned({ list, marks }: Criteria, criterion: number, less: boolean): Edit {
  const column = turned(
    (marks ?? []).map((m) => m[criterion] ?? 0),
    less,
  )
  return all(
    ...(list[criterion]?.cells ?? []).map(
      (cell, o): Edit | null =>
        cell && { do: 'setNode', id: cell.id, set: { text: String(Math.round((column[o] ?? 0) * 100) / 100) } },
    ),
  )
}
