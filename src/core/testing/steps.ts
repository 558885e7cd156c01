/** Figures in a line of code, and outlines that can be read: builders for tests. */
import { outlineOf } from '../document'
import type { Figure } from '../figure'

/** A process whose steps follow each other: `steps('Check', 'Load')` has nodes a, b and a link a-b. */
export function steps(...words: readonly string[]): Figure {
  const id = (i: number) => String.fromCharCode(97 + i)
  return {
    id: 'figure',
    kind: 'process',
    title: 'Steps',
    language: 'en',
    nodes: Object.fromEntries(
      words.map((text, i) => [id(i), { id: id(i), role: 'step' as const, text, order: i + 1, source: [] }]),
    ),
    links: Object.fromEntries(
      words.slice(1).map((_, i) => {
        const link = `${id(i)}-${id(i + 1)}`
        return [link, { id: link, role: 'next' as const, from: id(i), to: id(i + 1), order: 1, source: [] }]
      }),
    ),
    arrangement: 'down',
    frame: 'free',
    houseStyle: '',
    dress: {},
    passage: null,
    wasRead: { text: '', nodes: {}, links: {} },
  }
}

/** The outline as indented lines: `yes:` for a branch, `→ Check` for a return. */
export const outlineText = (figure: Figure): string[] =>
  outlineOf(figure).map((r) => {
    const indent = ' '.repeat(r.depth)
    if (r.row === 'node') return `${indent}${r.node.text}`
    if (r.row === 'branch') return `${indent}${r.link.text ?? ''}:`
    if (r.row === 'region') return `${indent}[${r.sets.map((s) => s.text).join(' + ')}]`
    if (r.row === 'detail') return `${indent}(${r.node.detail ?? ''})`
    if (r.row === 'statement') return `${indent}${r.link.text ?? ''} – ${r.to.text}`
    return `${indent}→ ${r.to.text}`
  })
