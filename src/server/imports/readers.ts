/** Files of other programs, a row for each sort: how it is told, and how it is read. The order is that in which they are asked;
 *  what reads them is loaded when the first comes. */
import { MAX_NODES, type Figure } from '@/core/figure'
import {
  UnsoundXml,
  cellsOfCsv,
  figureOfCells,
  figureOfDot,
  figureOfGraphml,
  figureOfOpml,
  figuresOfBpmn,
} from '@/core/exchange'
import type { Problem } from '@/core/problem'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { decodedText } from './encoding'
import { figuresInside, type Placed } from './inside'
import { Left } from './left'
import { markdownOfBlocks, type DocBlock } from './markdown'
import { UnsoundZip, decodedXml, isZip, textPart, unzipped } from './safeZip'
import { bounded, type Sheet } from './bounded'

/** What a file has come to. `left` says what it holds besides, in words. */
export type Imported = {
  readonly left: readonly string[]
  /** Figures that were placed in it from here, as they were then. */
  readonly placed: readonly Placed[]
} & (
  | { readonly as: 'text'; readonly title: string; readonly markdown: string; readonly figures: readonly Figure[] }
  | { readonly as: 'figures'; readonly figures: readonly Figure[] }
  | { readonly as: 'sheets'; readonly title: string; readonly sheets: readonly Sheet[] }
)

type Came = {
  readonly name: string
  readonly extension: string
  readonly bytes: Uint8Array
  /** The first kilobyte as signs. */
  readonly head: string
  /** The names in a packed file. */
  readonly parts: ReadonlySet<string>
}
type Read =
  | { readonly title?: string; readonly blocks: readonly DocBlock[] }
  | { readonly title?: string; readonly markdown: string }
  | { readonly figures: readonly (Figure | null)[] }
  | { readonly sheets: readonly Sheet[] }
  | null
type Row = {
  readonly is: (c: Came) => boolean
  readonly read: (c: Came, left: Left) => Read | Promise<Read>
}

const mimetypeOf = ({ bytes, parts }: Came): string => kindOfOdf(bytes, parts)
const kindOfOdf = (bytes: Uint8Array, parts: ReadonlySet<string>): string =>
  parts.has('mimetype')
    ? (textPart(
        unzipped(bytes, (n) => n === 'mimetype'),
        'mimetype',
      ) ?? '')
    : ''
const isOdf = (kind: string) => (c: Came) => mimetypeOf(c).startsWith(`application/vnd.oasis.opendocument.${kind}`)
const xml = (c: Came): string => decodedXml(c.bytes)
const startsXml = (name: RegExp) => (c: Came) =>
  /^\s*(?:\ufeff|ï»¿)?<(?:\?xml|!--|\w)/.test(c.head) && name.test(c.head)

export const readers: Readonly<Record<string, Row>> = {
  docx: {
    is: (c) => c.parts.has('word/document.xml'),
    read: async (c, left) => (await import('./docx')).blocksOfDocx(c.bytes, left),
  },
  pptx: {
    is: (c) => c.parts.has('ppt/presentation.xml'),
    read: async (c, left) => (await import('./pptx')).blocksOfPptx(c.bytes, left),
  },
  xlsx: {
    is: (c) => c.parts.has('xl/workbook.xml'),
    read: async (c, left) => ({ sheets: await (await import('./sheets')).sheetsOfXlsx(c.bytes, left) }),
  },
  ods: {
    is: isOdf('spreadsheet'),
    read: async (c, left) => ({ sheets: (await import('./sheets')).sheetsOfOds(c.bytes, left) }),
  },
  odf: {
    is: (c) => isOdf('text')(c) || isOdf('presentation')(c),
    read: async (c, left) => (await import('./odf')).blocksOfOdf(c.bytes, left),
  },
  epub: {
    is: (c) => c.parts.has('META-INF/container.xml'),
    read: async (c, left) => (await import('./epub')).blocksOfEpub(c.bytes, left),
  },
  pdf: {
    is: (c) => c.head.includes('%PDF-'),
    read: async (c, left) => (await import('./pdfText')).blocksOfPdf(c.bytes, left),
  },
  rtf: {
    is: (c) => /^\s*\{\\rtf/.test(c.head),
    read: async (c, left) => ({
      blocks: (await import('./rtf')).blocksOfRtf(new TextDecoder('latin1').decode(c.bytes), left),
    }),
  },
  graphml: { is: startsXml(/<(?:\w+:)?graphml[\s>]/), read: (c) => ({ figures: [figureOfGraphml(xml(c))] }) },
  opml: { is: startsXml(/<opml[\s>]/i), read: (c) => ({ figures: [figureOfOpml(xml(c))] }) },
  bpmn: { is: startsXml(/<(?:\w+:)?definitions[\s>]/), read: (c) => ({ figures: figuresOfBpmn(xml(c)) }) },
  mail: {
    is: (c) =>
      c.extension === 'eml' ||
      /^(?:Return-Path|Received|MIME-Version|Message-ID|From|Delivered-To|Date|Subject):[^\n]*\n(?:[ \t][^\n]*\n|[\w-]+:)/i.test(
        c.head.replace(/\r\n/g, '\n'),
      ),
    read: async (c, left) => (await import('./mail')).textOfMail(c.bytes, left),
  },
  html: {
    is: (c) => /^x?html?$/.test(c.extension) || /<(?:!doctype html|html[\s>])/i.test(c.head),
    read: async (c, left) => {
      const text = decodedText(c.bytes)
      return text === null ? null : (await import('./html')).blocksOfHtml(text, left)
    },
  },
  dot: {
    is: (c) => /^(?:dot|gv)$/.test(c.extension),
    read: (c) => ({ figures: [figureOfDot(decodedText(c.bytes) ?? '')] }),
  },
  csv: {
    is: (c) => /^(?:csv|tsv|tab)$/.test(c.extension),
    read: (c, left) => {
      const text = decodedText(c.bytes)
      if (text === null) return null
      const cells = cellsOfCsv(text)
      const own = figureOfCells(cells)
      return own ? { figures: [own] } : { sheets: [{ name: '', rows: bounded(cells, left) }] }
    },
  },
  text: {
    is: (c) => c.parts.size === 0 && !/^(?:svg|png|jpe?g|gif|webp)$/.test(c.extension),
    read: (c) => {
      const text = decodedText(c.bytes)
      return text === null ? null : { markdown: text }
    },
  },
}

/** A file as what it is. Total: whatever it holds, it is read or refused with a sentence. */
export async function imported(name: string, bytes: Uint8Array): Promise<Imported | Problem> {
  try {
    const { figures, placed } = await figuresInside(bytes)
    const read = figures.length > 0 && !mayHoldText(bytes) ? null : await readAs(name, bytes)
    if (read && 'as' in read && read.as === 'text' && read.markdown.split(/\s+/).length > WORDS)
      return { ...read, figures, placed }
    if (figures.length > 0) return { as: 'figures', figures, left: [], placed }
    return read && 'as' in read ? { ...read, placed } : (read ?? { code: 'import-unknown', name })
  } catch (error) {
    if (error instanceof UnsoundZip) return { code: 'import-unsound', name, why: error.message }
    if (error instanceof UnsoundXml)
      return error.fault === 'broken'
        ? { code: 'import-broken', name }
        : { code: 'import-unsound', name, why: error.message }
    if (error instanceof RangeError)
      return { code: 'import-unsound', name, why: 'it is nested deeper than can be read' }
    if (isPassword(error)) return { code: 'import-locked', name }
    // Whatever a parser throws at a broken file is that the file is broken.
    return { code: 'import-broken', name }
  }
}

/** Fewer words than a caption and a title have are no text beside the figures. */
const WORDS = 30
/** Documents and books; in slides and pictures the words are those of the figures. */
const mayHoldText = (bytes: Uint8Array): boolean => {
  if (!isZip(bytes)) return /^\s*<!doctype html/i.test(new TextDecoder('latin1').decode(bytes.subarray(0, 200)))
  const names = partNames(bytes)
  return names.has('word/document.xml') || kindOfOdf(bytes, names).endsWith('opendocument.text')
}

const isPassword = (error: unknown): boolean => error instanceof Error && error.name === 'PasswordException'

async function readAs(name: string, bytes: Uint8Array): Promise<Imported | Problem> {
  const came: Came = {
    ...{ name, bytes, extension: /\.([^.]+)$/.exec(name)?.[1]?.toLowerCase() ?? '' },
    head: new TextDecoder('latin1').decode(bytes.subarray(0, 4096)),
    parts: isZip(bytes) ? partNames(bytes) : new Set(),
  }
  // A compound file (MS-CFB): a locked document, or one of the time before.
  if (came.head.startsWith('\u00d0\u00cf\u0011\u00e0')) return { code: 'import-locked', name }
  for (const row of Object.values(readers)) {
    if (!row.is(came)) continue
    const left = new Left()
    const read = await row.read(came, left)
    return read ? settled(name, read, left) : { code: 'import-unknown', name }
  }
  return { code: 'import-unknown', name }
}

function partNames(bytes: Uint8Array): ReadonlySet<string> {
  const names = new Set<string>()
  unzipped(bytes, (name) => {
    names.add(name)
    return false
  })
  return names
}

function settled(name: string, read: NonNullable<Read>, left: Left): Imported | Problem {
  const plain = name.replace(/^.*[/\\]/, '').replace(/\.[^.]+$/, '')
  if ('figures' in read) {
    const figures = read.figures.filter((f) => f !== null)
    if (figures.length === 0) return { code: 'import-broken', name }
    const most = Math.max(...figures.map((f) => Object.keys(f.nodes).length))
    if (most > MAX_NODES) return { code: 'import-too-many', name, nodes: most, limit: MAX_NODES }
    if (figures.every((f) => Object.keys(f.nodes).length === 0)) return { code: 'import-empty', name }
    return {
      as: 'figures',
      figures: figures.map((f) => (f.title ? f : { ...f, title: plain })),
      left: left.sentences(),
      placed: [],
    }
  }
  if ('sheets' in read) {
    if (!read.sheets.some((s) => s.rows.length > 0)) return { code: 'import-empty', name }
    const own = read.sheets.flatMap((s) => figureOfCells(s.rows) ?? [])
    if (own.length > 0) return { as: 'figures', figures: own, left: left.sentences(), placed: [] }
    return { as: 'sheets', title: plain, sheets: read.sheets, left: left.sentences(), placed: [] }
  }
  const markdown = cleanText('blocks' in read ? markdownOfBlocks(read.blocks) : read.markdown)
  if (markdown.trim() === '') return { code: 'import-empty', name }
  if (markdown.length > MAX_MANUSCRIPT) return { code: 'text-too-long', length: markdown.length, limit: MAX_MANUSCRIPT }
  return { as: 'text', title: read.title || plain, markdown, figures: [], left: left.sentences(), placed: [] }
}
