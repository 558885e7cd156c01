/** Which figure of a folio holds which inside a node, as one reads it from the nodes. */
import type { Figure } from '@/core/figure'
import type { Tell } from '@/core/words'

/** The figure that holds this one as an inset, with the node that does; null where none does. */
export function holderOf(
  figures: readonly Figure[],
  id: string,
): { readonly figure: Figure; readonly node: string } | null {
  for (const figure of figures)
    for (const n of Object.values(figure.nodes)) if (n.inset === id) return { figure, node: n.id }
  return null
}

/** The figures around one, the outermost first. */
export function trailTo(figures: readonly Figure[], id: string): readonly Figure[] {
  const out: Figure[] = []
  for (let at = holderOf(figures, id); at && !out.includes(at.figure); at = holderOf(figures, at.figure.id))
    out.unshift(at.figure)
  return out
}

/** A figure by its title; an inset without one by the words of its node. */
export function nameIn(figures: readonly Figure[], f: Figure): string {
  const holder = holderOf(figures, f.id)
  return f.title || (holder?.figure.nodes[holder.node]?.text ?? '')
}

/** The name of the figure that holds this one in a node; null where none does. */
export function insideOf(figures: readonly Figure[], f: Figure, t: Tell): string | null {
  const holder = holderOf(figures, f.id)
  return holder && (nameIn(figures, holder.figure) || t('another figure'))
}
