/** Connectors of trees, which need no search: the children of a node hang on one line, those of a list beside a rule. */
import { portOf, withoutCollinear, type Box, type Point } from '../geometry'
import { listIndent, type Placed, type PlacedNode } from '../layout'

/** The path from a parent to a child, as a question that may be asked of every link; null where the child stands in neither
 *  a list below its parent nor beyond it. `clear` is the free room between the line and the children. */
export function treeLines(placed: Placed, clear: number): (parent: PlacedNode, child: PlacedNode) => Point[] | null {
  const across = placed.flow === 'treeAcross'
  const along = (p: Point) => (across ? p.x : p.y)
  const [out, into] = across ? (['right', 'left'] as const) : (['bottom', 'top'] as const)
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const nearest = new Map<string, number>()
  for (const l of placed.links) {
    const [a, b] = [node.get(l.from), node.get(l.to)]
    if (!a || !b || b.role === 'assistant' || along(b.box) <= along(portOf(a.box, out))) continue
    nearest.set(l.from, Math.min(nearest.get(l.from) ?? Infinity, along(b.box)))
  }
  // Words stand on the last stretch, which the arrangement has made long enough for them.
  const words = Math.max(0, ...placed.links.map((l) => (across ? l.label?.width : l.label?.height) ?? 0))
  const before = words === 0 ? clear : words + placed.style.body.size * 1.6
  const indent = listIndent(placed.style)
  return (parent, child) => {
    const beside = !across && child.role === 'assistant' ? besideLine(parent.box, child.box) : null
    if (beside) return beside
    const listed = placed.flow === 'outline' ? hook(parent.box, child.box, indent) : null
    if (listed) return listed
    const [from, to] = [portOf(parent.box, out), portOf(child.box, into)]
    const line = (nearest.get(parent.id) ?? -Infinity) - before
    if (along(to) <= along(from) || line <= along(from)) return null
    const turns = across
      ? [
          { x: line, y: from.y },
          { x: line, y: to.y },
        ]
      : [
          { x: from.x, y: line },
          { x: to.x, y: line },
        ]
    return withoutCollinear([from, ...turns, to])
  }
}

/** Down the line below a node, then to the side of what stands beside it; null where that is below the node itself. */
function besideLine(a: Box, b: Box): Point[] | null {
  const [from, y] = [portOf(a, 'bottom'), b.y + b.height / 2]
  const side = b.x > from.x ? b.x : b.x + b.width
  return y > from.y && (b.x > from.x || b.x + b.width < from.x) ? [from, { x: from.x, y }, { x: side, y }] : null
}

/** Down beside what is set in, then to its left edge; null when it does not stand in the list of the other. */
function hook(a: Box, b: Box, indent: number): Point[] | null {
  const [x, y] = [a.x + indent / 2, b.y + b.height / 2]
  return Math.abs(b.x - a.x - indent) < 0.5 && x < a.x + a.width && y > a.y + a.height
    ? [
        { x, y: a.y + a.height },
        { x, y },
        { x: b.x, y },
      ]
    : null
}
