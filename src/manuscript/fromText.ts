/** Plain or Markdown text as editor nodes: the way in for a paste, a file and the demo. Uses the reader's own blocks, so
 *  that what the editor shows as a list is what the reader takes for one. */
import { blocksOf, slice, type Block } from '@/core/text'
import type { NodeJson } from './inYjs'

/** Larger manuscripts make the editor slow; a paste above this is refused with the number. */
export const MAX_MANUSCRIPT = 400_000

const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\ufeff\ufffe\uffff]|\p{Surrogate}/gu

/** Line ends made one, characters that no document may hold taken out. */
export const cleanText = (text: string): string => text.replace(/\r\n?|\u2028|\u2029/g, '\n').replace(CONTROL, '')

export function nodesFromText(raw: string): NodeJson[] {
  const text = cleanText(raw)
  const blocks = blocksOf(text)
  const out: NodeJson[] = []
  // The level of the last heading with marks: headings without any stand below it.
  let above = 0
  for (let i = 0; i < blocks.length;) {
    const block = blocks[i] as Block
    const end = runEnd(blocks, i)
    const run = blocks.slice(i, end)
    if (block.type === 'item') for (const list of lists(text, run)) out.push(list)
    else if (block.type === 'row') out.push(table(text, run))
    else if (block.type === 'heading') {
      const marked = text.slice(text.lastIndexOf('\n', block.span.start - 1) + 1, block.span.start).includes('#')
      if (marked) above = block.depth
      out.push(headingNode(slice(text, block.span), !marked && above > 0 ? above + 1 : block.depth))
    } else out.push({ type: 'paragraph', content: inline(slice(text, block.span)) })
    i = end
  }
  return out.length > 0 ? out : [{ type: 'paragraph' }]
}

const MOST_LEVELS = 3
/** A heading; below the last level that there is, a line in bold. */
const headingNode = (words: string, level: number): NodeJson =>
  level <= MOST_LEVELS
    ? { type: 'heading', attrs: { level: Math.max(1, level) }, content: inline(words) }
    : { type: 'paragraph', content: [{ type: 'text', text: words, marks: [{ type: 'strong' }] }] }

function runEnd(blocks: readonly Block[], i: number): number {
  const type = (blocks[i] as Block).type
  if (type !== 'item' && type !== 'row') return i + 1
  let end = i + 1
  while (blocks[end]?.type === type) end++
  return end
}

type ListNode = { readonly type: string; readonly attrs?: Record<string, unknown>; readonly content: ItemNode[] }
type ItemNode = { readonly type: 'list_item'; readonly content: NodeJson[] }

/** Deeper items are put on this level: the editor walks down recursively. */
const MAX_LEVEL = 40

/** A run of items as lists in lists: each item goes to the end of the list of its level. */
function lists(text: string, items: readonly Block[]): NodeJson[] {
  const out: NodeJson[] = []
  // What is open at the end, outermost first: the depth of an item, and where the lists below it go.
  const open: { readonly depth: number; readonly content: NodeJson[] }[] = []
  for (const item of items) {
    while (open.length > 0 && ((open.at(-1)?.depth ?? 0) >= item.depth || open.length >= MAX_LEVEL)) open.pop()
    const list = listFor(open.at(-1)?.content ?? out, item)
    const node: ItemNode = {
      type: 'list_item',
      content: [{ type: 'paragraph', content: inline(slice(text, item.span)) }],
    }
    list.content.push(node)
    open.push({ depth: item.depth, content: node.content })
  }
  return out
}

/** The list that stands last where the item goes, when it is of the same sort; otherwise a new one. */
function listFor(siblings: NodeJson[], item: Block): ListNode {
  const type = item.ordered ? 'ordered_list' : 'bullet_list'
  const last = siblings.at(-1)
  if (last?.type === type) return last as ListNode
  const made: ListNode = { type, ...(item.ordered ? { attrs: { order: item.number ?? 1 } } : {}), content: [] }
  siblings.push(made)
  return made
}

function table(text: string, rows: readonly Block[]): NodeJson {
  const columns = Math.max(...rows.map((r) => r.cells.length))
  return {
    type: 'table',
    content: rows.map((r, i) => ({
      type: 'table_row',
      content: Array.from({ length: columns }, (_, c) => {
        const cell = r.cells[c]
        return {
          type: i === 0 ? 'table_header' : 'table_cell',
          content: [{ type: 'paragraph', content: cell ? inline(slice(text, cell)) : [] }],
        }
      }),
    })),
  }
}

/** `**bold**` and `*italic*`; everything else stays as it is. */
function inline(words: string): NodeJson[] {
  const out: NodeJson[] = []
  const lines = words.split('\n').map((l) => l.trim())
  const flat = lines.filter((l) => l !== '').join(' ')
  let at = 0
  const push = (text: string, mark?: string) => {
    if (text) out.push({ type: 'text', text, ...(mark ? { marks: [{ type: mark }] } : {}) })
  }
  for (const m of flat.matchAll(
    /(\*\*|__)(?=\S)([^*_]+?)\1|(?<![\p{L}\p{N}*_])([*_])(?=[^\s*_])([^*_]+?)\3(?![\p{L}\p{N}*_])/gu,
  )) {
    push(flat.slice(at, m.index))
    push(m[2] ?? m[4] ?? '', m[2] ? 'strong' : 'em')
    at = m.index + m[0].length
  }
  push(flat.slice(at))
  return out
}
