/** Slides (ISO/IEC 29500-1, 13) as an outline: titles as headings, levels as lists, tables, notes as text below. */
import { below, elements, named, textOf, xmlOf, type XmlElement } from '@/core/exchange'
import type { Left } from './left'
import type { DocBlock, Piece } from './markdown'
import { textPart, unzipped } from './safeZip'

const WANTED =
  /^ppt\/(?:presentation\.xml|slides\/slide\d+\.xml|notesSlides\/notesSlide\d+\.xml|.*\.rels)$|^docProps\/core\.xml$/

export function blocksOfPptx(bytes: Uint8Array, left: Left): { title: string; blocks: DocBlock[] } {
  const parts = unzipped(bytes, (name) => WANTED.test(name))
  const order = slideOrder(parts)
  const blocks = order.flatMap((path, i) => {
    const xml = textPart(parts, path)
    return xml === null ? [] : slideBlocks(xmlOf(xml), i + 1, notesOf(parts, path), left)
  })
  const core = textPart(parts, 'docProps/core.xml') ?? ''
  return { title: /<dc:title[^>]*>([^<]*)</.exec(core)?.[1]?.trim() ?? '', blocks }
}

type Parts = Readonly<Record<string, Uint8Array>>

function relationsOf(parts: Parts, path: string): ReadonlyMap<string, string> {
  const rels = textPart(parts, path.replace(/([^/]+)$/, '_rels/$1.rels'))
  if (rels === null) return new Map()
  const folder = path.replace(/[^/]+$/, '')
  return new Map(
    elements(xmlOf(rels)).map((r) => [r.attributes['Id'] ?? '', resolved(folder, r.attributes['Target'] ?? '')]),
  )
}

/** A target relative to the folder of what names it. */
export function resolved(folder: string, target: string): string {
  if (target.startsWith('/')) return target.slice(1)
  const out: string[] = []
  for (const step of `${folder}${target}`.split('/')) {
    if (step === '..') out.pop()
    else if (step !== '.' && step !== '') out.push(step)
  }
  return out.join('/')
}

function slideOrder(parts: Parts): string[] {
  const presentation = textPart(parts, 'ppt/presentation.xml')
  const all = Object.keys(parts).filter((n) => /^ppt\/slides\/slide\d+\.xml$/.test(n))
  if (presentation === null) return all
  const relations = relationsOf(parts, 'ppt/presentation.xml')
  const listed = [...below(xmlOf(presentation))]
    .filter((e) => e.name === 'sldId')
    .flatMap((e) => relations.get(e.attributes['r:id'] ?? '') ?? [])
  return listed.length > 0 ? listed : all
}

function notesOf(parts: Parts, slide: string): XmlElement | null {
  const path = [...relationsOf(parts, slide).values()].find((p) => /notesSlides\//.test(p))
  const xml = path ? textPart(parts, path) : null
  return xml === null ? null : xmlOf(xml)
}

const placeholder = (shape: XmlElement): string | null => {
  for (const e of below(shape)) if (e.name === 'ph') return e.attributes['type'] ?? 'body'
  return null
}
const plain = (e: XmlElement): string => textOf(e).replace(/\s+/g, ' ').trim()

function slideBlocks(slide: XmlElement, number: number, notes: XmlElement | null, left: Left): DocBlock[] {
  const out: DocBlock[] = []
  const shapes = [...below(slide)].filter(
    (e) => e.name === 'sp' || e.name === 'graphicFrame' || e.name === 'pic' || e.name === 'cxnSp',
  )
  const title = shapes.find((s) => /itle$/.test(placeholder(s) ?? '') && placeholder(s) !== 'subTitle')
  out.push({ block: 'heading', level: 2, pieces: [{ text: (title && plain(bodyOf(title))) || `Slide ${number}` }] })
  for (const s of shapes) {
    if (s === title) continue
    const kind = placeholder(s)
    if (kind === 'dt' || kind === 'sldNum' || kind === 'ftr') continue
    if (s.name === 'pic') left.add('pictures')
    else if (s.name === 'cxnSp') left.add('connectors')
    else if (s.name === 'graphicFrame') out.push(...frameBlocks(s, left))
    else out.push(...paragraphs(bodyOf(s), kind !== null && kind !== 'subTitle'))
  }
  if (notes) {
    const body = [...below(notes)].find((e) => e.name === 'sp' && placeholder(e) === 'body')
    if (body) out.push(...paragraphs(bodyOf(body), false))
  }
  return out
}

const bodyOf = (shape: XmlElement): XmlElement =>
  elements(shape).find((e) => e.name === 'txBody') ?? { ...shape, children: [] }

function frameBlocks(frame: XmlElement, left: Left): DocBlock[] {
  const table = [...below(frame)].find((e) => e.name === 'tbl')
  if (table) {
    const rows = named(table, 'tr').map((r) => named(r, 'tc').map((c): Piece[] => [{ text: plain(c) }]))
    return [{ block: 'table', rows }]
  }
  left.add([...below(frame)].some((e) => e.name === 'chart') ? 'charts' : 'diagrams drawn elsewhere')
  return []
}

/** Text of a placeholder is a list; a text box is a paragraph unless its lines have levels or bullets. */
function paragraphs(body: XmlElement, isList: boolean): DocBlock[] {
  const all = named(body, 'p')
  const counters: number[] = []
  const filled = all.filter((p) => plain(p) !== '')
  return filled.map((p): DocBlock => {
    const properties = named(p, 'pPr')[0]
    const depth = Number(properties?.attributes['lvl'] ?? 0) || 0
    const has = (name: string) => properties !== undefined && elements(properties).some((e) => e.name === name)
    const item = !has('buNone') && (has('buChar') || has('buAutoNum') || (isList && filled.length > 1) || depth > 0)
    counters.length = Math.min(counters.length, depth + 1)
    counters[depth] = (counters[depth] ?? 0) + 1
    const pieces = named(p, 'r')
      .concat(named(p, 'fld'))
      .map((r): Piece => {
        const has = (mark: string) => named(r, 'rPr').some((x) => x.attributes[mark] === '1')
        return { text: named(r, 't').map(textOf).join(''), strong: has('b'), em: has('i') }
      })
    if (!item) return { block: 'paragraph', pieces }
    return { block: 'item', depth, number: has('buAutoNum') ? (counters[depth] ?? 1) : null, pieces }
  })
}
