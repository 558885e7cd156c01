/** Decision trees by seed: choices, chances whose chances add up, outcomes, with values along the way. */
import type { Figure, FigureLink, FigureNode } from '../figure'
import { random } from './seededFigure'
import { steps } from './steps'

export type Grown = {
  readonly role: 'choice' | 'chance' | 'outcome'
  readonly value: number
  readonly arms: { p: number; to: Grown }[]
}

export function grown(next: () => number, depth: number): Grown {
  const leaf = depth === 0 || next() < 0.25
  const role = leaf ? 'outcome' : next() < 0.5 ? 'choice' : 'chance'
  const count = leaf ? 0 : 1 + Math.floor(next() * 3)
  const weights = Array.from({ length: count }, () => 0.05 + next())
  const sum = weights.reduce((s, w) => s + w, 0)
  const value = leaf || next() < 0.3 ? Math.round((next() - 0.5) * 20_000) : 0
  return { role, value, arms: weights.map((w) => ({ p: w / sum, to: grown(next, depth - 1) })) }
}

export function figureOfTree(tree: Grown): Figure {
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const add = (t: Grown): string => {
    const id = `n${nodes.length}`
    const measure = t.value !== 0 || t.arms.length === 0 ? { measure: { value: t.value, unit: '' } } : {}
    nodes.push({ id, role: t.role, text: id, order: nodes.length, source: [], ...measure })
    for (const a of t.arms) {
      const chance = t.role === 'chance' ? { probability: a.p } : {}
      const to = add(a.to)
      links.push({ id: `l${links.length}`, role: 'leads', from: id, to, order: links.length, source: [], ...chance })
    }
    return id
  }
  add(tree)
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((x) => [x.id, x]))
  return { ...steps(), kind: 'decision', nodes: byId(nodes), links: byId(links) }
}

export const seededTree = (seed: number): Figure => figureOfTree(grown(random(seed), 3))
