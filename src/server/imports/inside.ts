/** Figures that were made here, found again inside any file they left in. */
import type { Figure } from '@/core/figure'
import { figureInside, versionOf } from '../files/inside'
import { decodedXml, isZip, unzipped } from './safeZip'

const PART = /^(?:customXml\/figure\d+\.xml|Figures\/figure\d+\.xml|idleCompass\/figure\d+\.json)$/
const number = (name: string): number => Number(/\d+/.exec(name)?.[0] ?? 0)

/** A figure as it stood when it was put into a file: its id, and the version of what it showed. */
export type Placed = { readonly id: string; readonly version: string; readonly title: string }
export type Inside = { readonly figures: readonly Figure[]; readonly placed: readonly Placed[] }

/** Empty where there is none. Slides that were taken into other decks leave their figures' data behind, and keep their tags.
 *  Throws `UnsoundZip`. */
export async function figuresInside(bytes: Uint8Array): Promise<Inside> {
  const figures = await dataInside(bytes)
  const placed = figures.map((f) => ({ id: f.id, version: versionOf(f), title: f.title }))
  const known = new Set(placed.map((p) => p.id))
  return { figures, placed: [...placed, ...tagsInside(bytes).filter((t) => !known.has(t.id))] }
}

function tagsInside(bytes: Uint8Array): Placed[] {
  if (!isZip(bytes)) return []
  const parts = unzipped(bytes, (name) => /^ppt\/tags\/[^/]+\.xml$/.test(name))
  return Object.values(parts).flatMap((part): Placed[] => {
    const values = new Map(
      [...decodedXml(part).matchAll(/name="(\w+)" val="([^"]*)"/g)].map(([, n = '', v = '']) => [n, v]),
    )
    const [id, version] = [values.get('IDLE_COMPASS_FIGURE'), values.get('IDLE_COMPASS_VERSION')]
    return id && version ? [{ id, version, title: '' }] : []
  })
}

async function dataInside(bytes: Uint8Array): Promise<Figure[]> {
  if (isZip(bytes)) {
    const parts = unzipped(bytes, (name) => PART.test(name))
    return Object.keys(parts)
      .toSorted((a, b) => number(a) - number(b))
      .flatMap((name) => figureInside(parts[name] as Uint8Array) ?? [])
  }
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024))
  if (head.startsWith('%PDF-')) return insidePdf(bytes)
  if (/^\s*<!doctype html/i.test(head)) return insideHtml(decodedXml(bytes))
  const one = figureInside(bytes)
  return one ? [one] : []
}

async function insidePdf(bytes: Uint8Array): Promise<Figure[]> {
  // Files without attachments are not opened for it.
  if (!Buffer.from(bytes).includes('/EmbeddedFile')) return []
  const { getDocument, VerbosityLevel } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const task = getDocument({ data: new Uint8Array(bytes), isEvalSupported: false, verbosity: VerbosityLevel.ERRORS })
  const doc = await task.promise
  const attached = ((await doc.getAttachments()) ?? {}) as Readonly<
    Record<string, { readonly filename: string; readonly content: Uint8Array }>
  >
  const found = Object.values(attached)
    .filter((a) => /^figure-\d+\.json$/.test(a.filename))
    .toSorted((a, b) => number(a.filename) - number(b.filename))
    .flatMap((a) => figureInside(a.content) ?? [])
  await task.destroy()
  return found
}

const insideHtml = (html: string): Figure[] =>
  [...html.matchAll(/<script type="application\/json" class="inside">([\s\S]*?)<\/script>/g)].flatMap(
    ([, json = '']) => figureInside(Buffer.from(json)) ?? [],
  )
