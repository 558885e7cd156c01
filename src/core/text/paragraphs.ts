/** A run of lines without marks: a paragraph, a heading, or the items that it really is. */
import { block, type Block } from './block'
import { depthOf, type Level } from './itemDepth'
import { isHeading, isRule, type Line } from './lines'
import {
  LABELLED,
  MAIL_HEADER,
  NAMES_LIST,
  NAMES_SMALL,
  isBold,
  isBoldOrShort,
  isTitle,
  looksLikeLines,
  standsAlone,
} from './lineShapes'
import { tableAt } from './tableLines'

type Page = { readonly text: string; readonly lines: readonly Line[]; readonly out: Block[]; readonly stack: Level[] }

/** Adds the blocks of the paragraph that begins at a line; the line behind it. */
export function paragraphAt(page: Page, at: number): number {
  const end = endOf(page, at)
  const own = page.lines.slice(at, end)
  const listBelow = page.lines[end]?.marker ?? null
  if (listBelow && own.length === 1 && at > 0 && NAMES_SMALL.test((own[0] as Line).text)) {
    // "each lorry" between two lists.
    heading(page, own[0] as Line, 2)
    return end
  }
  if (listBelow && own.length > 1 && lastNamesList(own)) return withName(page, at, end)
  if (own.length > 1 && own.every((l) => MAIL_HEADER.test(l.text))) for (const l of own) plain(page, l)
  else if (looksLikeLines(own)) items(page, own)
  else if (!labelled(page, own)) single(page, own, at, end)
  return end
}

const heading = ({ text, out }: Page, l: Line, depth: number): void =>
  void out.push(block('heading', text, l, { depth }))
const plain = ({ text, out }: Page, l: { start: number; end: number }): void =>
  void out.push(block('paragraph', text, l))

function endOf({ text, lines }: Page, at: number): number {
  const first = lines[at] as Line
  // "Options for the float:" names what stands below it.
  if (/^.{1,60}[:：]$/u.test(first.text) || isBold(first.text) || isTitle(lines, at)) return at + 1
  let end = at + 1
  for (; end < lines.length; end++) {
    const l = lines[end] as Line
    if (l.text === '' || l.marker || isHeading(l) || isRule(l)) break
    if (l.text.includes(' | ') || tableAt(text, lines, end)) break
  }
  return end
}

/** "Equipment list", "Deck", then a list: the last line names it. */
function lastNamesList(own: readonly Line[]): boolean {
  const [before, last] = own.slice(-2) as [Line, Line]
  return NAMES_LIST.test(last.text) && (/[?!.:]$/.test(before.text) || before.text.length <= 60)
}
function withName(page: Page, at: number, end: number): number {
  if (end - at > 2) {
    paragraphAt({ ...page, lines: page.lines.slice(0, end - 1) }, at)
    return end - 1
  }
  const [before, last] = page.lines.slice(at, end) as [Line, Line]
  if (!/[.:]$/.test(before.text) && /^\P{Ll}/u.test(before.text)) heading(page, before, 1)
  else plain(page, before)
  plain(page, last)
  return end
}

/** Lines that are items; "Packing list" over lines without capitals is their title. */
function items(page: Page, own: readonly Line[]): void {
  const [first, ...others] = own as [Line, ...Line[]]
  const titled =
    /^\p{Lu}/u.test(first.text) && others.every((l) => /^\p{Ll}/u.test(l.text) && l.indent === first.indent)
  if (titled) heading(page, first, 1)
  for (const l of titled ? others : own) {
    const depth = depthOf(page.stack, l.indent, { length: 0, ordered: false, number: null, style: 'line' })
    page.out.push(block('item', page.text, l, { depth }))
  }
}

/** "Repair: cheap, but ..." line below line: each says something of its own. False where they are not such lines. */
function labelled(page: Page, own: readonly Line[]): boolean {
  const count = own.filter((l) => LABELLED.test(l.text)).length
  const all = count === own.length
  if (own.length <= (all ? 1 : 2) || count < own.length - 1 || (!all && LABELLED.test((own[0] as Line).text)))
    return false
  own.forEach((l, i) => (i === 0 && !all ? heading(page, l, 2) : plain(page, l)))
  return true
}

function single(page: Page, own: readonly Line[], at: number, end: number): void {
  const [first, last] = [own[0], own.at(-1)] as [Line, Line]
  const isHeading =
    own.length === 1 &&
    (isTitle(page.lines, at) ||
      isBoldOrShort(first, page.lines[end + 1]) ||
      (isBoldOrShort(first, page.lines[end]) && hasPeer(page)) ||
      standsAlone(page.lines, at))
  if (isHeading) heading(page, first, 2)
  else plain(page, { start: first.start, end: last.end })
}

/** As far back as a line is looked for that stands over its list in the same way. */
const NEAR = 60
/** A line not far above names its list already: one item below this one is enough. */
const hasPeer = ({ out }: Page): boolean =>
  out.slice(-NEAR).some((b, i, near) => b.type === 'heading' && near[i + 1]?.type === 'item')
