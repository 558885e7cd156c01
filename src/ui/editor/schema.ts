import { Schema, type NodeSpec } from 'prosemirror-model'
import { tableNodes } from 'prosemirror-tables'

const tables = tableNodes({ tableGroup: 'block', cellContent: 'paragraph+', cellAttributes: {} })

const nodes: Record<string, NodeSpec> = {
  doc: { content: 'block+' },
  paragraph: { group: 'block', content: 'inline*', parseDOM: [{ tag: 'p' }], toDOM: () => ['p', 0] },
  heading: {
    group: 'block',
    content: 'inline*',
    attrs: { level: { default: 1 } },
    defining: true,
    parseDOM: [1, 2, 3, 4, 5, 6].map((n) => ({ tag: `h${n}`, attrs: { level: Math.min(n, 3) } })),
    toDOM: (node) => [`h${node.attrs.level as number}`, 0],
  },
  bullet_list: { group: 'block', content: 'list_item+', parseDOM: [{ tag: 'ul' }], toDOM: () => ['ul', 0] },
  ordered_list: {
    group: 'block',
    content: 'list_item+',
    attrs: { order: { default: 1 } },
    parseDOM: [{ tag: 'ol', getAttrs: (dom) => ({ order: Number(dom.getAttribute('start') ?? 1) }) }],
    toDOM: (node) => (node.attrs.order === 1 ? ['ol', 0] : ['ol', { start: node.attrs.order as number }, 0]),
  },
  list_item: { content: 'paragraph block*', defining: true, parseDOM: [{ tag: 'li' }], toDOM: () => ['li', 0] },
  ...tables,
  text: { group: 'inline' },
  hard_break: {
    inline: true,
    group: 'inline',
    selectable: false,
    parseDOM: [{ tag: 'br' }],
    toDOM: () => ['br'],
    leafText: () => '\n',
  },
}

/** What a manuscript can hold. Anything else in a paste loses its dress and keeps its words. */
export const manuscriptSchema = new Schema({
  nodes,
  marks: {
    strong: {
      parseDOM: [
        { tag: 'strong' },
        { tag: 'b', getAttrs: (d) => d.style.fontWeight !== 'normal' && null },
        { style: 'font-weight', getAttrs: (v) => /^(bold|[6-9]00)$/.test(v) && null },
      ],
      toDOM: () => ['strong', 0],
    },
    em: { parseDOM: [{ tag: 'em' }, { tag: 'i' }, { style: 'font-style=italic' }], toDOM: () => ['em', 0] },
  },
})
