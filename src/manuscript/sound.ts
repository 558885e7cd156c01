/** What may stand in a shared manuscript. Whatever else somebody's program sends would be taken out by the editors of
 *  everybody else, words and all, or could not be shown: it is refused before it is kept. In: the manuscript's fragment
 *  and what of it is new. Out: what is wrong, in words, or null. */
import * as Y from 'yjs'

/** Elements inside elements. A list takes two levels; the editor and the projection walk down recursively. */
export const MAX_DEPTH = 100

const whole =
  (least: number, most: number) =>
  (v: unknown): boolean =>
    v === null || v === undefined || (Number.isInteger(v) && (v as number) >= least && (v as number) <= most)
const widths = (v: unknown): boolean => v === null || (Array.isArray(v) && v.length <= 100 && v.every(whole(0, 10_000)))
const cell = { colspan: whole(1, 100), rowspan: whole(1, 1000), colwidth: widths }

/** Elements by the names of the editor, with the attributes each may carry. */
const elements: Readonly<Record<string, Readonly<Record<string, (v: unknown) => boolean>>>> = {
  paragraph: {},
  heading: { level: whole(1, 6) },
  bullet_list: {},
  ordered_list: { order: whole(0, 1e9) },
  list_item: {},
  table: {},
  table_row: {},
  table_cell: cell,
  table_header: cell,
  hard_break: {},
}
/** Marks on words; where one mark overlaps itself, the editor's binding adds a number behind two hyphens. */
const MARK = /^(?:strong|em)(?:--.*)?$/s

/** Whether an item has come in since `before`. */
export type IsNew = (item: Y.Item) => boolean

/** Looks at what is new below one of the manuscript's own types that has changed. */
export function manuscriptFault(changed: Y.AbstractType<unknown>, isNew: IsNew): string | null {
  const depth = depthOf(changed)
  if (depth > MAX_DEPTH) return `more than ${MAX_DEPTH} levels inside each other`
  const waiting: { readonly type: Y.AbstractType<unknown>; readonly depth: number }[] = [{ type: changed, depth }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const found = faultIn(next.type, isNew, (type) => void waiting.push({ type, depth: (next?.depth ?? 0) + 1 }))
    if (found) return found
    if (next.depth > MAX_DEPTH) return `more than ${MAX_DEPTH} levels inside each other`
  }
  return null
}

function depthOf(type: Y.AbstractType<unknown>): number {
  let depth = 0
  for (let at: Y.AbstractType<unknown> | null = type; at?._item && depth <= MAX_DEPTH; depth++)
    at = at._item.parent as Y.AbstractType<unknown> | null
  return depth
}

function faultIn(type: Y.AbstractType<unknown>, isNew: IsNew, enter: (t: Y.AbstractType<unknown>) => void) {
  if (type instanceof Y.XmlElement) {
    const known = Object.hasOwn(elements, type.nodeName) ? elements[type.nodeName] : undefined
    if (!known) return `an element “${type.nodeName.slice(0, 30)}”`
    for (const [name, value] of Object.entries(type.getAttributes() as Record<string, unknown>))
      if (!known[name]?.(value)) return `${type.nodeName} with ${name.slice(0, 30)} = ${shown(value)}`
  }
  const inText = type instanceof Y.XmlText
  for (let item = type._start; item; item = item.right) {
    if (item.deleted || !isNew(item)) continue
    const found = inText ? faultInText(item.content) : faultAmongElements(item.content)
    if (found) return found
    if (item.content instanceof Y.ContentType) enter(item.content.type)
  }
  return null
}

function faultInText(content: Y.Item['content']): string | null {
  if (content instanceof Y.ContentString) return content.str.includes('\0') ? 'a NUL character' : null
  if (content instanceof Y.ContentFormat)
    return MARK.test(content.key) ? null : `words marked as “${content.key.slice(0, 30)}”`
  if (content instanceof Y.ContentType && content.type instanceof Y.XmlElement) return null
  return 'something in a text that is no text'
}

const faultAmongElements = (content: Y.Item['content']): string | null =>
  content instanceof Y.ContentType && (content.type instanceof Y.XmlElement || content.type instanceof Y.XmlText)
    ? null
    : 'something in the manuscript that is no part of one'

const shown = (value: unknown): string => (JSON.stringify(value) ?? 'undefined').slice(0, 30)
