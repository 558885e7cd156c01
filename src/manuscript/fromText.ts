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
  for (let i = 0; i < blocks.length;) {
    const block = blocks[i] as Block
    const end = runEnd(blocks, i)
    const run = blocks.slice(i, end)
    if (block.type === 'item') out.push(...lists(text, run, block.depth))
    else if (block.type === 'row') out.push(table(text, run))
    else if (block.type === 'heading')
      out.push({
        type: 'heading',
        attrs: { level: Math.min(3, Math.max(1, block.depth)) },
        content: inline(slice(text, block.span)),
      })
    else out.push({ type: 'paragraph', content: inline(slice(text, block.span)) })
    i = end
  }
  return out.length > 0 ? out : [{ type: 'paragraph' }]
}

function runEnd(blocks: readonly Block[], i: number): number {
  const type = (blocks[i] as Block).type
  if (type !== 'item' && type !== 'row') return i + 1
  let end = i + 1
  while (blocks[end]?.type === type) end++
  return end
}

function lists(text: string, items: readonly Block[], depth: number): NodeJson[] {
  const out: NodeJson[] = []
  for (let i = 0; i < items.length;) {
    const item = items[i] as Block
    let end = i + 1
    while (end < items.length && (items[end] as Block).depth > item.depth) end++
    const inner = items.slice(i + 1, end)
    const node: NodeJson = {
      type: 'list_item',
      content: [
        { type: 'paragraph', content: inline(slice(text, item.span)) },
        ...(inner.length ? lists(text, inner, depth + 1) : []),
      ],
    }
    const name = item.ordered ? 'ordered_list' : 'bullet_list'
    const last = out.at(-1)
    if (last?.type === name) out[out.length - 1] = { ...last, content: [...(last.content ?? []), node] }
    else out.push({ type: name, ...(item.ordered ? { attrs: { order: item.number ?? 1 } } : {}), content: [node] })
    i = end
  }
  return out
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
  const flat = words.replace(/\s*\n\s*/g, ' ')
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
