/** Peers that are nearly as large are made equally large, so that a row or a column of them has even edges: points all,
 *  children beside their siblings, steps, concepts and options among themselves. Much longer words keep a wider box: short
 *  ones would drown in it. */
import type { ShapeName } from '../geometry'
import type { Sized, SizedNode } from '../measure'

/** Steps that follow the same step stand beside each other whichever way the flow runs. */
const ARMS = 2
const STRAIGHT: ReadonlySet<ShapeName> = new Set(['roundRect', 'rect', 'onward', 'plain'])
/** Where a figure has to be drawn tight for its frame, words come before even edges. */
const TIGHT = 0.5

/** `most`: how much wider a node may be made for the sake of its peers; `alike`: all with straight
 *  sides are as high as the highest; what is round would have less room in a higher shape. */
export function evened(sized: Sized, most: number, alike: boolean): Sized {
  const { kind, nodes, links } = sized
  const tight = sized.style.fitting.gap < 1 && kind !== 'points' ? 1 + (most - 1) * TIGHT : most
  const parent = new Map(links.map((l) => [l.to, l.from]))
  const groups = new Map<string, SizedNode[]>()
  for (const n of nodes) {
    // What runs to a tip has the size its words ask for.
    if (n.resized) continue
    if (
      kind !== 'points' &&
      n.shape !== 'roundRect' &&
      n.shape !== 'rect' &&
      n.shape !== 'pill' &&
      n.shape !== 'onward'
    )
      continue
    const of = kind === 'hierarchy' || kind === 'decision' ? (parent.get(n.id) ?? '') : ''
    const key = `${kind === 'decision' ? n.role : ''} ${of}`
    const group = groups.get(key)
    if (group) group.push(n)
    else groups.set(key, [n])
  }
  const widths = new Map([...groups.values()].flatMap((g) => inClasses(g, tight)))
  const widened = (n: SizedNode): SizedNode => ({ ...n, width: widths.get(n.id) ?? n.width })
  if (kind === 'process')
    for (const arms of armsOf(sized))
      for (const [id, width] of inClasses(arms.map(widened), ARMS)) widths.set(id, width)
  const isStraight = (n: SizedNode) => STRAIGHT.has(n.shape) && !n.resized
  const high = Math.max(0, ...nodes.filter(isStraight).map((n) => n.height))
  const even = nodes.map((n) => ({
    ...n,
    width: widths.get(n.id) ?? n.width,
    height: alike && isStraight(n) ? high : n.height,
  }))
  return { ...sized, nodes: even }
}

function armsOf({ nodes, links }: Sized): SizedNode[][] {
  const node = new Map(nodes.map((n) => [n.id, n]))
  const arms = new Map<string, SizedNode[]>()
  for (const l of links) {
    const n = node.get(l.to)
    if (n && n.shape !== 'diamond' && !n.resized) arms.set(l.from, [...(arms.get(l.from) ?? []), n])
  }
  return [...arms.values()].filter((a) => a.length > 1)
}

/** The widest, with all that are nearly as wide, then the widest of the rest, and so on. */
function inClasses(group: readonly SizedNode[], most: number): (readonly [string, number])[] {
  let width = 0
  return group
    .toSorted((a, b) => b.width - a.width || (a.id < b.id ? -1 : 1))
    .map((n) => {
      if (n.width * most < width || width === 0) width = n.width
      return [n.id, width] as const
    })
}
