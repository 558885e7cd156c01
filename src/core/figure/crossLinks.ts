/** The links of a concept map that are not part of its backbone: links in the order of the text grow a spanning forest
 *  (Kruskal 1956), and what would close a circle in it ties branches together. */
import { linksInOrder, type Figure, type LinkId } from './figure'

export function crossLinks(figure: Figure): ReadonlySet<LinkId> {
  const out = new Set<LinkId>()
  if (figure.kind !== 'concept') return out
  const part = new Map<string, string>()
  const head = (id: string): string => {
    let at = id
    for (let up = part.get(at); up !== undefined; up = part.get(at)) at = up
    return at
  }
  for (const l of linksInOrder(figure)) {
    const [a, b] = [head(l.from), head(l.to)]
    if (a === b) out.add(l.id)
    else part.set(b, a)
  }
  return out
}
