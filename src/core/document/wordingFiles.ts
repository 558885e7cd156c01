/** A language of a figure as a file for a translator, and back: CSV (RFC 4180) and XLIFF 2.0 (OASIS Standard, 2014). */
import { XMLParser } from 'fast-xml-parser'
import Papa from 'papaparse'
import type { Figure } from '../figure'
import { translations, type Translated } from './wordings'

export type WordingFile = { readonly language: string | null; readonly given: Readonly<Record<string, string>> }

const COLUMNS = ['key', 'where', 'source', 'translation', 'state'] as const
/** What a spreadsheet would take for a formula is told to be text. */
const asText = (words: string): string => (/^[=+\-@\t\r]/.test(words) ? `'${words}` : words)
const plain = (words: string): string => words.replace(/^'(?=[=+\-@\t\r])/, '')

export const csvOf = (f: Figure, language: string): string =>
  Papa.unparse(
    [
      [...COLUMNS],
      ...translations(f, language).map((t) => [t.key, t.where, t.text, t.wording?.text ?? '', t.state].map(asText)),
    ],
    { newline: '\r\n' },
  )

/** Null for what is no such table. */
export function fromCsv(text: string): WordingFile | null {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: true,
  })
  const rows = data.filter((r) => r.key !== undefined && r.translation !== undefined)
  if (rows.length === 0) return null
  return {
    language: null,
    given: Object.fromEntries(rows.map((r) => [r.key as string, plain(r.translation as string)])),
  }
}

const escaped = (s: string): string =>
  s
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')

const states = { missing: 'initial', stale: 'initial', offered: 'translated', done: 'final' } as const

export function xliffOf(f: Figure, language: string): string {
  const unit = (t: Translated) =>
    `    <unit id="${escaped(t.key)}">\n      <notes><note>${escaped(t.where)}</note></notes>\n      <segment state="${states[t.state]}">\n        <source xml:space="preserve">${escaped(t.text)}</source>${t.wording ? `\n        <target xml:space="preserve">${escaped(t.wording.text)}</target>` : ''}\n      </segment>\n    </unit>`
  return `<?xml version="1.0" encoding="UTF-8"?>\n<xliff xmlns="urn:oasis:names:tc:xliff:document:2.0" version="2.0" srcLang="${escaped(f.language)}" trgLang="${escaped(language)}">\n  <file id="${escaped(f.id)}">\n${translations(f, language).map(unit).join('\n')}\n  </file>\n</xliff>\n`
}

type Unit = { readonly '@id'?: unknown; readonly segment?: readonly { readonly target?: unknown }[] }

/** Null for what is no XLIFF 2.0 with a target language. */
export function fromXliff(text: string): WordingFile | null {
  // No file of ours has declarations; entities could be made to grow without end.
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text)) return null
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    trimValues: false,
    parseTagValue: false,
    isArray: (name) => name === 'file' || name === 'unit' || name === 'segment',
    // As it stands in the file: what marks words within it (XLIFF 2.0, 4.7) is looked at by `wordsIn`.
    stopNodes: ['*.target'],
  })
  let read: { xliff?: { '@version'?: unknown; '@trgLang'?: unknown; file?: { unit?: Unit[] }[] } }
  try {
    read = parser.parse(text) as typeof read
  } catch {
    // Broken XML: no such file, which is said.
    return null
  }
  const { xliff } = read
  if (!xliff || !String(xliff['@version']).startsWith('2') || typeof xliff['@trgLang'] !== 'string') return null
  const units = (xliff.file ?? []).flatMap((file) => file.unit ?? [])
  const given = units.flatMap((u) => {
    const target = (u.segment ?? []).map((s) => wordsIn(s.target)).join('')
    return typeof u['@id'] === 'string' && target !== '' ? [[u['@id'], target] as const] : []
  })
  return { language: xliff['@trgLang'], given: Object.fromEntries(given) }
}
const TAG = /<\/?[a-z][\w:.-]*(?:\s+[\w:.-]+\s*=\s*(?:"[^"]*"|'[^']*'))*\s*\/?>/gi
const words = new XMLParser({ trimValues: false, parseTagValue: false })

/** The words of a target; marks of translators' tools within them go, what they mark stays. */
function wordsIn(target: unknown): string {
  const inner = target !== null && typeof target === 'object' && '#text' in target ? target['#text'] : target
  if (typeof inner !== 'string') return ''
  const read = words.parse(`<t>${inner.replace(TAG, '')}</t>`) as { t?: unknown }
  return typeof read.t === 'string' ? read.t : ''
}
