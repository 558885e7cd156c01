/** Arrangements `down` and `across` of hierarchies and decision trees: every parent in the middle of its children, subtrees
 *  as close as their contours allow. The contours are those of Reingold, Tilford 1981, "Tidier Drawings of Trees", here
 *  with nodes of any size on common levels. What is linked twice hangs below its first parent. In `stacked` children that
 *  have none of their own stand in a list below their parent. */
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import type { FigureStyle } from '../style'
import { forest } from './forest'
import type { Arranged } from './placed'

type Branch = {
  readonly node: SizedNode
  readonly children: readonly { readonly branch: Branch; readonly shift: number }[]
  /** Outer edges by level below the node, relative to its middle. */
  readonly left: readonly number[]
  readonly right: readonly number[]
}

export function tree(sized: Sized, direction: 'down' | 'across', stacked = false): Arranged {
  const down = direction === 'down'
  const breadth = (n: SizedNode) => (down ? n.width : n.height)
  const depth = (n: SizedNode) => (down ? n.height : n.width)
  const gap = sized.style.gap.beside * (down ? 0.5 : 0.4)
  const { roots, childrenOf: below } = forest(sized)
  // Down the page assistants stand beside the line, above those who are in it; across they stand among them.
  const isBeside = (n: SizedNode) => down && n.role === 'assistant' && below(n).length === 0
  const helped = sized.nodes.some((n) => n.role === 'assistant')
  const childrenOf = (n: SizedNode) => (helped ? below(n).filter((c) => !isBeside(c)) : below(n))
  const assistantsOf = (n: SizedNode) => (helped ? below(n).filter(isBeside) : [])
  const aside = listIndent(sized.style)
  const words = new Map(sized.links.flatMap((l) => (down && l.label ? [[l.to, l.label.width + gap] as const] : [])))
  /** Room that a node takes up beside the line it hangs on, with the words on that line. */
  const breadthOf = (n: SizedNode) =>
    Math.max(breadth(n), words.get(n.id) ?? 0, ...assistantsOf(n).map((a) => (a.width + aside) * 2))

  // What has assistants is drawn with a line for them to stand beside.
  const inList = (node: SizedNode) =>
    stacked && isList(node, childrenOf) && [node, ...childrenOf(node)].every((n) => assistantsOf(n).length === 0)
  const branchOf = (node: SizedNode): Branch =>
    inList(node)
      ? listed(node, childrenOf(node), listIndent(sized.style))
      : joined(node, childrenOf(node).map(branchOf), breadthOf(node), gap)
  const crown = joined(null, roots.map(branchOf), 0, gap * 2)
  const levels: number[] = []
  const helpers: number[] = []
  const measure = (b: Branch, level: number): void => {
    levels[level] = Math.max(levels[level] ?? 0, depth(b.node))
    helpers[level] = Math.max(helpers[level] ?? 0, inPairs(assistantsOf(b.node), gap * 0.4).height)
    b.children.forEach((c) => measure(c.branch, level + 1))
  }
  crown.children.forEach((c) => measure(c.branch, 0))
  const labels = Math.max(0, ...sized.links.map((l) => (down ? l.label?.height : l.label?.width) ?? 0))
  const between = Math.max(
    sized.style.gap.between * (down ? 1 : 1.2),
    labels === 0 ? 0 : labels + sized.style.body.size * 2.4,
  )
  const tops = levels.map((_, i) =>
    levels.slice(0, i).reduce((s, d, k) => s + d + between + (helpers[k] ? helpers[k] + gap * 0.8 : 0), 0),
  )
  const boxes = new Map<string, Box>()
  const place = (b: Branch, middle: number, level: number): void => {
    // Across, words of one level start at the same edge; down, they stand on the middle of their level.
    // Panels of a level hang from one line.
    const hangs = !down || sized.style.treatment.finish === 'leafPanels'
    const along = (tops[level] as number) + (hangs ? 0 : ((levels[level] as number) - depth(b.node)) / 2)
    const start = middle - breadth(b.node) / 2
    boxes.set(b.node.id, {
      x: down ? start : along,
      y: down ? along : start,
      width: b.node.width,
      height: b.node.height,
    })
    b.children.forEach((c) => place(c.branch, middle + c.shift, level + 1))
    for (const { node, top, side } of inPairs(assistantsOf(b.node), gap * 0.4).seats)
      boxes.set(node.id, {
        x: middle + side * aside - (side < 0 ? node.width : 0),
        y: along + depth(b.node) + gap * 0.8 + top,
        width: node.width,
        height: node.height,
      })
    if (!inList(b.node)) return
    let top = along + b.node.height + gap * 0.7
    for (const n of childrenOf(b.node)) {
      boxes.set(n.id, { x: start + listIndent(sized.style), y: top, width: n.width, height: n.height })
      top += n.height + gap * 0.4
    }
  }
  crown.children.forEach((c) => place(c.branch, c.shift, 0))
  return { boxes, flow: stacked ? 'outline' : down ? 'treeDown' : 'treeAcross', decor: [] }
}

/** Two beside each other, the line between them: the first at the right. `side` is 1 there and -1 at the left. */
function inPairs(list: readonly SizedNode[], gap: number) {
  let [top, height] = [0, 0]
  const seats = list.map((node, i) => {
    if (i > 0 && i % 2 === 0) top = height + gap
    height = Math.max(height, top + node.height)
    return { node, top, side: i % 2 === 0 ? 1 : -1 }
  })
  return { seats, height }
}

/** How far a list is set in from what it hangs on. */
export const listIndent = (style: FigureStyle): number => style.body.size * 1.8

/** A list of one would only be set askew. */
const isList = (node: SizedNode, childrenOf: (n: SizedNode) => readonly SizedNode[]): boolean => {
  const kids = childrenOf(node)
  return kids.length > 1 && kids.every((k) => childrenOf(k).length === 0)
}

/** A node with its list, which reaches down beside whatever levels its neighbours have. */
function listed(node: SizedNode, list: readonly SizedNode[], indent: number): Branch {
  const [left, right] = [
    -node.width / 2,
    Math.max(node.width / 2, indent - node.width / 2 + Math.max(...list.map((n) => n.width))),
  ]
  return {
    node,
    children: [],
    left: Array<number>(LIST_LEVELS).fill(left),
    right: Array<number>(LIST_LEVELS).fill(right),
  }
}
const LIST_LEVELS = 24

function joined(node: SizedNode, kids: readonly Branch[], breadth: number, gap: number): Branch
function joined(node: null, kids: readonly Branch[], breadth: number, gap: number): Omit<Branch, 'node'>
function joined(
  node: SizedNode | null,
  kids: readonly Branch[],
  breadth: number,
  gap: number,
): Branch | Omit<Branch, 'node'> {
  const shifts: number[] = []
  const left: number[] = []
  const right: number[] = []
  for (const k of kids) {
    const shift =
      shifts.length === 0
        ? 0
        : Math.max(...k.left.map((l, d) => (right[d] === undefined ? -Infinity : right[d] - l + gap)))
    shifts.push(shift)
    k.left.forEach((l, d) => (left[d] = Math.min(left[d] ?? Infinity, l + shift)))
    k.right.forEach((r, d) => (right[d] = Math.max(right[d] ?? -Infinity, r + shift)))
  }
  const middle = ((shifts[0] ?? 0) + (shifts.at(-1) ?? 0)) / 2
  const children = kids.map((branch, i) => ({ branch, shift: (shifts[i] as number) - middle }))
  const edges = {
    left: [-breadth / 2, ...left.map((l) => l - middle)],
    right: [breadth / 2, ...right.map((r) => r - middle)],
  }
  return node ? { node, children, ...edges } : { children, ...edges }
}

/** Arrangement `outline`: one item a line, each level set in further, in the order of the text. */
export function outline(sized: Sized): Arranged {
  const { roots, childrenOf } = forest(sized)
  const gap = sized.style.gap.beside * 0.3
  const indent = listIndent(sized.style)
  const boxes = new Map<string, Box>()
  let top = 0
  const place = (n: SizedNode, level: number): void => {
    boxes.set(n.id, { x: level * indent, y: top, width: n.width, height: n.height })
    top += n.height + gap
    childrenOf(n).forEach((c) => place(c, level + 1))
  }
  roots.forEach((r) => {
    place(r, 0)
    top += gap
  })
  return { boxes, flow: 'outline', decor: [] }
}
