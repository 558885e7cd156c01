/** The text of a PDF, back in the order it is read: columns by the white between them, headings by their size, paragraphs by the
 *  space between lines, items by their marks; running heads and page numbers are left out. By `pdfjs-dist`. */
import type { PDFPageProxy } from 'pdfjs-dist'
import type { Left } from './left'
import type { DocBlock } from './markdown'

/** A stretch of words on one line; pt, y down. */
export type Stretch = {
  readonly text: string
  readonly x: number
  readonly right: number
  readonly y: number
  readonly size: number
  readonly strong: boolean
}
export type PdfPage = { readonly width: number; readonly height: number; readonly stretches: readonly Stretch[] }

/** More pages than any handbook. */
const MAX_PAGES = 2000

export async function blocksOfPdf(bytes: Uint8Array, left: Left): Promise<{ title: string; blocks: DocBlock[] }> {
  const { pages, title } = await pagesOf(bytes, left)
  return { title, blocks: blocksOfPages(pages, left) }
}

async function pagesOf(bytes: Uint8Array, left: Left): Promise<{ pages: PdfPage[]; title: string }> {
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const task = getDocument({
    ...{ data: new Uint8Array(bytes), isEvalSupported: false, useSystemFonts: false, disableFontFace: true },
    ...{ stopAtErrors: false, verbosity: VerbosityLevel.ERRORS, enableXfa: false },
  })
  const doc = await task.promise
  const { info } = await doc.getMetadata()
  const pages: PdfPage[] = []
  const fonts = new Fonts()
  for (let n = 1; n <= Math.min(doc.numPages, MAX_PAGES); n++) {
    const page = await doc.getPage(n)
    const { width, height } = page.getViewport({ scale: 1 })
    const { items } = await page.getTextContent()
    await fonts.look(page, items)
    const stretches = items.flatMap((item): Stretch[] => {
      if (!('str' in item) || item.str === '') return []
      const [, , c = 0, d = 0, x = 0, y = 0] = item.transform as number[]
      const size = Math.hypot(c, d) || item.height
      const strong = fonts.strong(item.fontName)
      return [{ text: item.str, x, right: x + item.width, y: height - y, size, strong }]
    })
    if (stretches.length === 0) left.add('pages without text')
    pages.push({ width, height, stretches })
    page.cleanup()
  }
  if (doc.numPages > MAX_PAGES) left.add('pages beyond the two thousandth', doc.numPages - MAX_PAGES)
  await task.destroy()
  const said = (info as { readonly Title?: unknown }).Title
  return { pages, title: typeof said === 'string' ? said.trim() : '' }
}

/** Which fonts are bold is known when what is drawn with them has been looked at: at their first pages, within a time. */
class Fonts {
  private readonly names = new Map<string, boolean>()
  private readonly until = Date.now() + 6000

  async look(page: PDFPageProxy, items: readonly object[]): Promise<void> {
    const unknown = [...new Set(items.flatMap((i) => ('fontName' in i ? [String(i.fontName)] : [])))].filter(
      (f) => !this.names.has(f),
    )
    if (unknown.length === 0 || Date.now() > this.until) return
    await page.getOperatorList()
    for (const f of unknown) {
      const font = page.commonObjs.has(f)
        ? (page.commonObjs.get(f) as { readonly name?: string; readonly bold?: boolean })
        : null
      this.names.set(
        f,
        font !== null &&
          (font.bold === true || /bold|black|heavy|semib|demi|[-,]b$|cmbx|medi\b/i.test(font.name ?? '')),
      )
    }
  }
  strong(font: string): boolean {
    return this.names.get(font) ?? false
  }
}

type Line = Stretch

export function blocksOfPages(pages: readonly PdfPage[], left: Left): DocBlock[] {
  const all = pages.map((p) => linesOf(p.stretches))
  const repeated = runningHeads(all, pages)
  const kept = all.map((lines) => lines.filter((l) => !repeated.has(headKey(l)) && !LEADERS.test(l.text)))
  if (all.flat().some((l) => LEADERS.test(l.text))) left.add('the table of contents')
  if (repeated.size > 0) left.add('running heads and page numbers')
  const body = bodySize(kept.flat())
  const ordered = kept.flatMap((lines) => inReadingOrder(lines, body))
  return blocksOfLines(ordered, body)
}

/** Stretches of one baseline that stand close, as one. */
function linesOf(stretches: readonly Stretch[]): Line[] {
  const out: Line[] = []
  // Wide white is given as a space: between columns it is none.
  const solid = stretches.filter((s) => s.text.trim() !== '' || s.right - s.x < s.size * 0.8)
  for (const s of solid.toSorted((a, b) => a.y - b.y || a.x - b.x)) {
    const at = out.findLastIndex(
      (l) => Math.abs(l.y - s.y) < s.size * 0.35 && s.x >= l.x - 1 && s.x - l.right < s.size * 1.6,
    )
    const line = out[at]
    if (!line) {
      if (s.text.trim() !== '') out.push(s)
      continue
    }
    const gap = s.x - line.right > s.size * 0.18 && !/\s$/.test(line.text) && !/^\s/.test(s.text) ? ' ' : ''
    out[at] = {
      ...line,
      ...{ text: line.text + gap + s.text, right: Math.max(line.right, s.right) },
      ...{
        size: Math.max(line.size, s.text.trim() === '' ? 0 : s.size),
        strong: line.strong && (s.strong || s.text.trim() === ''),
      },
    }
  }
  return out.map((l) => ({ ...l, text: l.text.replace(/\s+/g, ' ').trim() })).filter((l) => l.text !== '')
}

/** Dots that lead to a page. */
const LEADERS = /(?:\.\s?){5,}\s*[\divxlc]+$/i

/** What stands at the same height on many pages, whatever its number. */
const headKey = (l: Line): string => `${Math.round(l.y / 3)} ${l.text.replace(/\d+/g, '#')}`

function runningHeads(pages: readonly (readonly Line[])[], sizes: readonly PdfPage[]): ReadonlySet<string> {
  const counts = new Map<string, number>()
  pages.forEach((lines, i) => {
    const height = sizes[i]?.height ?? 0
    const atEdge = lines.filter((l) => l.y < height * 0.1 || l.y > height * 0.9)
    for (const key of new Set(atEdge.map(headKey))) counts.set(key, (counts.get(key) ?? 0) + 1)
  })
  const least = Math.max(2, Math.min(4, pages.length * 0.4))
  return new Set([...counts].filter(([, count]) => count >= least).map(([key]) => key))
}

function bodySize(lines: readonly Line[]): number {
  const letters = new Map<number, number>()
  for (const l of lines) {
    const size = Math.round(l.size * 2) / 2
    letters.set(size, (letters.get(size) ?? 0) + l.text.length)
  }
  return [...letters].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? 10
}

/** Cut along the white between columns, then level between parts (after Nagy, Seth 1984); what reaches over several columns
 *  parts those above it from those below. */
function inReadingOrder(lines: readonly Line[], body: number, depth = 0): Line[] {
  const sorted = lines.toSorted((a, b) => a.y - b.y || a.x - b.x)
  if (lines.length < 4 || depth > 30) return sorted
  const at = gutter(lines, body)
  if (at !== null) return bands(sorted, at).flatMap((band) => inReadingOrder(band, body, depth + 1))
  const level = levelCut(sorted, body)
  if (level === null) return sorted
  const [above, under] = [sorted.filter((l) => l.y <= level), sorted.filter((l) => l.y > level)]
  return [...inReadingOrder(above, body, depth + 1), ...inReadingOrder(under, body, depth + 1)]
}

/** Before and behind the gutter, from one line that crosses it to the next. */
function bands(sorted: readonly Line[], at: number): Line[][] {
  const out: Line[][] = []
  let [before, after]: [Line[], Line[]] = [[], []]
  for (const l of sorted) {
    if (l.right <= at) before.push(l)
    else if (l.x >= at) after.push(l)
    else {
      out.push(before, after, [l])
      before = []
      after = []
    }
  }
  return [...out, before, after].filter((b) => b.length > 0)
}

/** How many of the lines may reach over the white. */
const CROSSING = 0.12

/** The middle of white that few lines reach over, with running text on both sides: of the cells of a table, which are short,
 *  it is none. */
function gutter(lines: readonly Line[], body: number): number | null {
  const runs = (side: readonly Line[]) =>
    side.length >= 3 && side.filter((l) => l.right - l.x > body * 9).length >= side.length * 0.45
  const tall = (side: readonly Line[]) => Math.max(...side.map((l) => l.y)) - Math.min(...side.map((l) => l.y))
  let best: { readonly at: number; readonly wide: number } | null = null
  for (const right of new Set(lines.map((l) => Math.ceil(l.right)))) {
    const at = right + body * 0.3
    const [before, after] = [lines.filter((l) => l.right <= at), lines.filter((l) => l.x >= at)]
    if (lines.length - before.length - after.length > lines.length * CROSSING || !runs(before) || !runs(after)) continue
    const wide = Math.min(...after.map((l) => l.x)) - Math.max(...before.map((l) => l.right))
    if (wide > body * 0.6 && Math.min(tall(before), tall(after)) > body * 2 && (!best || wide > best.wide))
      best = { at, wide }
  }
  return best?.at ?? null
}

function levelCut(sorted: readonly Line[], body: number): number | null {
  let best: { readonly at: number; readonly tall: number } | null = null
  for (let i = 1; i < sorted.length; i++) {
    const [above, here] = [sorted[i - 1] as Line, sorted[i] as Line]
    const tall = here.y - here.size - above.y
    if (tall > body * 0.5 && (!best || tall > best.tall)) best = { at: above.y, tall }
  }
  return best?.at ?? null
}

const BULLET = /^[•‣◦▪●○■–—*·\uf0b7\u2022-]\s+/
const NUMBER = /^(\d{1,3})[.)]\s+/

type Open = {
  readonly kind: 'paragraph' | 'item' | 'heading'
  readonly text: string
  readonly last: Line
  readonly level: number
  readonly number: number | null
}

const blocksOfLines = (lines: readonly Line[], body: number): DocBlock[] => new Blocks(lines, body).read()

/** Lines put together to what they are lines of. */
class Blocks {
  private readonly out: DocBlock[] = []
  private readonly sizes: readonly number[]
  private readonly indents: number[] = []
  private open: Open | null = null

  constructor(
    private readonly lines: readonly Line[],
    private readonly body: number,
  ) {
    const large = lines.filter((l) => this.isLarge(l) && l.text.length < 200).map((l) => Math.round(l.size))
    this.sizes = [...new Set(large)].toSorted((a, b) => b - a)
  }

  read(): DocBlock[] {
    this.lines.forEach((l, i) => this.line(l, this.lines[i + 1]))
    this.end()
    return this.out
  }

  private isLarge(l: Line): boolean {
    return l.size > this.body * 1.12
  }

  private line(l: Line, next: Line | undefined): void {
    const { open } = this
    const follows = open !== null && l.y > open.last.y && l.y - open.last.y < Math.max(l.size, open.last.size) * 1.75
    if (this.isHeading(l, next)) return this.heading(l, follows)
    if (this.item(l, follows)) return
    if (open && open.kind !== 'heading' && continues(open.last, l, follows, open.text)) {
      this.open = { ...open, text: joined(open.text, l.text), last: l }
      return
    }
    this.end()
    this.indents.length = 0
    this.open = { kind: 'paragraph', text: l.text, last: l, level: 0, number: null }
  }

  /** Larger than the text, or strong and by itself. */
  private isHeading(l: Line, next: Line | undefined): boolean {
    const alone = !next || next.y - l.y > l.size * 1.9 || next.y < l.y || !next.strong
    const strong = l.strong && alone && l.text.length < 90 && !/[.;,]$/.test(l.text)
    return (this.isLarge(l) && this.sizes.includes(Math.round(l.size))) || strong
  }

  private heading(l: Line, follows: boolean): void {
    const { open } = this
    const rank = this.isLarge(l) ? this.sizes.indexOf(Math.round(l.size)) : this.sizes.length
    const level = Math.min(4, rank + 1)
    if (open?.kind === 'heading' && follows && open.level === level) {
      this.open = { ...open, text: joined(open.text, l.text), last: l }
      return
    }
    this.end()
    this.open = { kind: 'heading', text: l.text, last: l, level, number: null }
  }

  private item(l: Line, follows: boolean): boolean {
    const bullet = BULLET.exec(l.text)
    const number = NUMBER.exec(l.text)
    const mayBegin = this.open?.kind === 'item' || !follows || /[.:]$/.test(this.open?.text ?? '')
    const mark = bullet ?? (mayBegin ? number : null)
    if (!mark) return false
    this.end()
    this.open = {
      ...{ kind: 'item', text: l.text.slice(mark[0].length), last: l },
      ...{ level: depthOf(l.x, this.indents, this.body), number: bullet ? null : Number(mark[1]) },
    }
    return true
  }

  private end(): void {
    const { open } = this
    this.open = null
    if (!open) return
    const pieces = [{ text: open.text }]
    if (open.kind === 'heading') this.out.push({ block: 'heading', level: open.level, pieces })
    else if (open.kind === 'item') this.out.push({ block: 'item', depth: open.level, number: open.number, pieces })
    else this.out.push({ block: 'paragraph', pieces })
  }
}

/** On the next line, or at the head of the next column or page in the middle of a sentence. */
const continues = (last: Line, l: Line, follows: boolean, text: string): boolean =>
  (follows && Math.abs(l.size - last.size) < 1.2) ||
  (l.y < last.y && /[\p{Ll},-]$/u.test(text) && /^\p{Ll}/u.test(l.text))

const joined = (text: string, more: string): string =>
  /\p{L}-$/u.test(text) && /^\p{Ll}/u.test(more) ? text.slice(0, -1) + more : `${text} ${more}`

function depthOf(x: number, indents: number[], body: number): number {
  const at = indents.findIndex((i) => Math.abs(i - x) < body * 0.6)
  if (at >= 0) {
    indents.length = at + 1
    return at
  }
  while (indents.length > 0 && (indents.at(-1) as number) > x) indents.pop()
  return indents.push(x) - 1
}
