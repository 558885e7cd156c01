/** Text to glyphs, once for screen and every export. HarfBuzz shapes, bidi-js orders (UAX #9), `linebreak` finds the
 *  places where a line may end (UAX #14). Lengths in px at the size asked for; y down from the baseline. */
import bidiFactory from 'bidi-js'
import { Blob, Buffer, Direction, Face, Font, shape as harfbuzzShape } from 'harfbuzzjs'
import LineBreaker from 'linebreak'
import { isShippedFont, type FontKey } from '../style'
import { clustersOf, fontFor, isIgnorable, shippedHas } from './coverage'

/** `data` null: a font that somebody brought and that is not to be had any more; it serves no character. */
export type FontFile = { readonly key: FontKey; readonly data: Uint8Array | null }
export type Glyph = { readonly id: number; readonly x: number; readonly y: number }
export type Run = {
  readonly font: FontKey
  readonly text: string
  /** Left edge, from the start of the line. */
  readonly x: number
  readonly width: number
  readonly rtl: boolean
  readonly glyphs: readonly Glyph[]
}
export type Line = {
  readonly text: string
  readonly width: number
  readonly runs: readonly Run[]
  /** What stood between it and the next line of its paragraph; `-` for a hyphen at its end that goes where the two are one. */
  readonly after: '' | ' ' | '\n' | '-'
}
type Set = Pick<Line, 'text' | 'after'>

export type Typesetter = {
  /** One line, never broken. */
  readonly line: (text: string, fonts: readonly FontKey[], size: number) => Line
  /** Lines no wider than `room` where breaking allows it, balanced: the narrowest setting with that many lines. */
  readonly paragraph: (text: string, fonts: readonly FontKey[], size: number, room: number) => Line[]
  /** Lines filled one after the other, as running text is set. */
  readonly flow: (text: string, fonts: readonly FontKey[], size: number, room: number) => Line[]
  /** SVG path data of a glyph in font units, y up, and the units of its em. */
  readonly outline: (font: FontKey, glyph: number) => { readonly path: string; readonly unitsPerEm: number }
  /** The characters that each glyph of a run stands for, so that its text is found again: `''` for marks set on others. */
  readonly characters: (run: Pick<Run, 'font' | 'text' | 'rtl'>) => string[]
  /** How far lines of a font reach over and under their baseline, in em. */
  readonly reach: (font: FontKey) => { readonly above: number; readonly below: number }
  /** Characters of `text` that none of `fonts` has. */
  readonly missing: (text: string, fonts: readonly FontKey[]) => string[]
  /** Gives it further fonts; what it was given before stays as it is. */
  readonly add: (files: readonly FontFile[]) => void
}

type Loaded = {
  readonly font: Font
  readonly unitsPerEm: number
  /** The characters it serves; null where the table of those that ship says it. */
  readonly codes: ReadonlySet<number> | null
}
type Shaped = {
  readonly font: FontKey
  readonly text: string
  readonly width: number
  readonly glyphs: readonly (Glyph & { readonly cluster: number; readonly advance: number })[]
}
type Item = { readonly text: string; readonly font: FontKey; readonly level: number }
/** What a line may end after. `broken`: one sign of what is too long for any line; `inWord`: and a letter of a word, so that a
 *  hyphen says that it goes on. */
type Piece = {
  readonly text: string
  readonly width: number
  readonly hard: boolean
  readonly broken: boolean
  readonly inWord: boolean
}

/** How much wider than asked for a paragraph may become for the sake of a long word, before that is broken. */
const WIDER = 1.6
/** Only words of scripts that have hyphens, nothing like an address. */
const HYPHENATED = /^[\p{Script=Latin}\p{Script=Cyrillic}\p{Script=Greek}\p{M}'’-]+[.,;:!?)]*$/u

/** Everything invisible that a paste brings: controls, lone surrogates, byte order marks, direction overrides. */
const UNSHOWABLE =
  /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\ufeff\ufffe\uffff\u202a-\u202e\u2066-\u2069]|\p{Surrogate}/gu
export const showable = (text: string): string =>
  text
    .normalize('NFC')
    .replace(UNSHOWABLE, '')
    .replace(/[\t\u00a0]/g, ' ')

/** A text needs a font that this typesetter was not given. */
export class MissingFont extends Error {
  constructor(readonly key: FontKey) {
    super(`the font ${key} is not loaded`)
  }
}

export function createTypesetter(files: readonly FontFile[]): Typesetter {
  const loaded = new Map<FontKey, Loaded | null>()
  const add: Typesetter['add'] = (more) => {
    for (const f of more) if (!loaded.get(f.key)) loaded.set(f.key, f.data && load(f.data, f.key))
  }
  add(files)
  const bidi = bidiFactory()
  const shaped = new Map<string, Shaped>() // in em of size 1

  const loadedFont = (key: FontKey): Loaded => {
    const found = loaded.get(key)
    if (!found) throw new MissingFont(key)
    return found
  }
  const has = (key: FontKey, code: number): boolean => {
    if (isShippedFont(key)) return shippedHas(key, code)
    return loaded.get(key) !== null && (loadedFont(key).codes?.has(code) ?? false)
  }

  const itemise = (text: string, fonts: readonly FontKey[]): Item[] => {
    const simple = isPlain(text)
    const levels = simple ? null : bidi.getEmbeddingLevels(text).levels
    if (simple) {
      const first = fonts[0] as FontKey
      if ([...text].every((c) => has(first, c.codePointAt(0) as number))) return [{ text, font: first, level: 0 }]
    }
    const out: Item[] = []
    for (const { segment, index } of clustersOf(text)) {
      const level = levels?.[index] ?? 0
      const last = out.at(-1)
      const font = /^\s+$/.test(segment) && last ? last.font : fontFor(segment, fonts, has)
      if (last && last.font === font && last.level === level)
        out[out.length - 1] = { ...last, text: last.text + segment }
      else out.push({ text: segment, font, level })
    }
    return visualOrder(out)
  }

  const shapeItem = (item: Item): Shaped => {
    const key = `${item.font} ${item.level % 2} ${item.text}`
    const known = shaped.get(key)
    if (known) return known
    const { font, unitsPerEm } = loadedFont(item.font)
    const buffer = new Buffer()
    buffer.addText(item.text)
    buffer.guessSegmentProperties()
    buffer.setDirection(item.level % 2 ? Direction.RTL : Direction.LTR)
    harfbuzzShape(font, buffer)
    const infos = buffer.getGlyphInfos()
    let pen = 0
    const glyphs = buffer.getGlyphPositions().map((p, i) => {
      const { codepoint: id = 0, cluster = 0 } = infos[i] ?? {}
      const at = { id, x: (pen + p.xOffset) / unitsPerEm, y: -p.yOffset / unitsPerEm, cluster, advance: p.xAdvance }
      pen += p.xAdvance
      return at
    })
    const run = { font: item.font, text: item.text, width: pen / unitsPerEm, glyphs }
    if (shaped.size > 20_000) shaped.clear()
    shaped.set(key, run)
    return run
  }

  const line = (text: string, fonts: readonly FontKey[], size: number, after: Line['after'] = ''): Line => {
    let x = 0
    const runs = itemise(text, fonts).map((item): Run => {
      const r = shapeItem(item)
      const at = x
      x += r.width * size
      const glyphs = r.glyphs.map((g) => ({ id: g.id, x: g.x * size, y: g.y * size }))
      return { font: r.font, text: r.text, x: at, width: r.width * size, rtl: item.level % 2 === 1, glyphs }
    })
    return { text, width: x, runs, after }
  }

  const widthOf = (text: string, fonts: readonly FontKey[]): number =>
    itemise(text, fonts).reduce((sum, item) => sum + shapeItem(item).width, 0)

  const pieces = (text: string, fonts: readonly FontKey[], size: number, room: number): Piece[] => {
    const out: Piece[] = []
    const breaker = new LineBreaker(text)
    let from = 0
    for (let at = breaker.nextBreak(); at; at = breaker.nextBreak()) {
      const piece = text.slice(from, at.position)
      from = at.position
      const width = widthOf(piece.trimEnd(), fonts) * size
      const hard = at.required && /\n$/.test(piece)
      if (width <= room) out.push({ text: piece, width, hard, broken: false, inWord: false })
      else {
        const inWord = HYPHENATED.test(piece.trim())
        for (const { segment } of clustersOf(piece))
          out.push({ text: segment, width: widthOf(segment, fonts) * size, hard: false, broken: true, inWord })
      }
    }
    return out
  }

  const fill = (parts: readonly Piece[], space: number, hyphen: number, room: number): Set[] => {
    const out: Set[] = []
    let now = ''
    let width = 0
    for (const [i, p] of parts.entries()) {
      const gap = now.length - now.trimEnd().length
      // A letter in the middle of a word leaves room for the hyphen that may have to follow it.
      const after = p.inWord && parts[i + 1]?.inWord ? hyphen : 0
      if (now.trim() !== '' && width + gap * space + p.width + after > room + 0.01) {
        const broken = p.inWord && parts[i - 1]?.inWord && /\p{L}\p{M}*$/u.test(now)
        out.push(broken ? { text: `${now.trim()}-`, after: '-' } : { text: now.trim(), after: gap > 0 ? ' ' : '' })
        now = ''
        width = 0
      }
      width += (now === '' ? 0 : gap * space) + p.width
      now += p.text
      if (p.hard) {
        out.push({ text: now.trim(), after: '\n' })
        now = ''
        width = 0
      }
    }
    if (now.trim() !== '') out.push({ text: now.trim(), after: '' })
    return out
  }

  const paragraph: Typesetter['paragraph'] = (text, fonts, size, room) => {
    // A long word makes its node wider before it is broken.
    const parts = pieces(text, fonts, size, room * WIDER)
    if (parts.length === 0) return []
    const [space, hyphen] = [widthOf(' ', fonts) * size, widthOf('-', fonts) * size]
    const widest = Math.max(...parts.map((p) => p.width + (p.inWord ? hyphen : 0)))
    const wide = parts.some((p) => p.broken) ? room * WIDER : Math.max(room, widest)
    let lines = fill(parts, space, hyphen, wide)
    let [low, high] = [widest, wide]
    while (high - low > size * 0.3 && lines.length > 1) {
      const middle = (low + high) / 2
      const tried = fill(parts, space, hyphen, middle)
      if (tried.length > lines.length) low = middle
      else {
        lines = tried
        high = middle
      }
    }
    return lines.map((l) => line(l.text, fonts, size, l.after))
  }

  const flow: Typesetter['flow'] = (text, fonts, size, room) => {
    const [space, hyphen] = [widthOf(' ', fonts) * size, widthOf('-', fonts) * size]
    const lines = fill(pieces(text, fonts, size, room), space, hyphen, room)
    return lines.map((l) => line(l.text, fonts, size, l.after))
  }

  return {
    add,
    line: (text, fonts, size) => line(showable(text), fonts, size),
    paragraph: (text, fonts, size, room) => paragraph(showable(text), fonts, size, room),
    flow: (text, fonts, size, room) => flow(showable(text), fonts, size, room),
    outline: (font, glyph) => {
      const face = loadedFont(font)
      return { path: face.font.glyphToPath(glyph), unitsPerEm: face.unitsPerEm }
    },
    characters: ({ font, text, rtl }) => dealt(shapeItem({ font, text, level: rtl ? 1 : 0 }), rtl),
    reach: (font) => {
      const { font: f, unitsPerEm } = loadedFont(font)
      const { ascender, descender } = f.hExtents()
      return { above: ascender / unitsPerEm, below: -descender / unitsPerEm }
    },
    missing: (text, fonts) => {
      const covered = (c: number) => fonts.some((k) => has(k, c))
      const lost = [...showable(text)].filter((c) => {
        const code = c.codePointAt(0) as number
        return code > 32 && !isIgnorable(code) && !covered(code)
      })
      return [...new Set(lost)]
    },
  }
}

function load(data: Uint8Array, key: FontKey): Loaded {
  const face = new Face(new Blob(data))
  const codes = isShippedFont(key) ? null : new Set(face.collectUnicodes())
  return { font: new Font(face), unitsPerEm: face.upem, codes }
}

/** The characters of a cluster over the glyphs of it that take room, in the order in which they are read. */
function dealt({ text, glyphs }: Shaped, rtl: boolean): string[] {
  const out = glyphs.map(() => '')
  const starts = [...new Set(glyphs.map((g) => g.cluster))].toSorted((a, b) => a - b)
  starts.forEach((start, i) => {
    const characters = [...text.slice(start, starts[i + 1])]
    const own = glyphs.flatMap((g, k) => (g.cluster === start ? [k] : []))
    const wide = own.filter((k) => (glyphs[k]?.advance ?? 0) > 0)
    const bearers = rtl ? wide.toReversed() : wide
    const order = bearers.length > 0 ? bearers : own.slice(0, 1)
    order.forEach(
      (k, n) => (out[k] = (n < order.length - 1 ? characters.slice(n, n + 1) : characters.slice(n)).join('')),
    )
  })
  return out
}

const isPlain = (text: string): boolean => !/[^\u0020-\u024f\u2010-\u2027\u20a0-\u20bf]/.test(text)

/** Runs of one line from left to right: reverse every sequence at or above each level (UAX #9, rule L2). */
function visualOrder(items: readonly Item[]): Item[] {
  let out = [...items]
  const top = Math.max(0, ...out.map((i) => i.level))
  for (let level = top; level >= 1; level--) {
    const next: Item[] = []
    let group: Item[] = []
    for (const item of out) {
      if (item.level >= level) group.unshift(item)
      else {
        next.push(...group, item)
        group = []
      }
    }
    out = [...next, ...group]
  }
  return out
}
