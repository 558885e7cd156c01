/** Decisions told by criteria, for tests. */
import type { Figure, FigureLink, FigureNode } from '../figure'
import { steps } from './steps'

/** Options by criteria as a figure: `cells[option][criterion]`. */
export function matrix(cells: readonly (readonly (number | string)[])[], weights: readonly number[]): Figure {
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const add = (role: FigureNode['role'], text: string, more: object = {}): string => {
    const id = `n${nodes.length}`
    nodes.push({ id, role, text, order: nodes.length, source: [], ...more })
    return id
  }
  cells.forEach((row, o) => {
    const option = add('option', `Boat ${o}`)
    row.forEach((value, c) => {
      const to = add('criterion', String(value), { fields: { weight: String(weights[c]) } })
      links.push({ id: `l${links.length}`, role: 'weighs', from: option, to, text: `C${c}`, order: c, source: [] })
    })
  })
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((x) => [x.id, x]))
  return { ...steps(), kind: 'decision', nodes: byId(nodes), links: byId(links) }
}
