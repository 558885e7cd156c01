/** Rich Text Format 1.9.1: words, headings by outline level or by the name of their style, lists by the text of their marks,
 *  tables; what is set between braces for other programs is passed over. */
import type { Left } from './left'
import type { DocBlock, Piece } from './markdown'

/** Groups that hold no words of the text. */
const PASSED = new Set(
  'fonttbl colortbl stylesheet listtable listoverridetable rsidtbl generator info pict object themedata colorschememapping datastore latentstyles xmlnstbl fldinst header headerl headerr headerf footer footerl footerr footerf footnote annotation bkmkstart bkmkend shppict nonshppict pnseclvl filetbl revtbl mmathPr wgrffmtfilter'.split(
    ' ',
  ),
)
const CODEPAGES: Readonly<Record<string, string>> = {
  '437': 'ibm866',
  '866': 'ibm866',
  '874': 'windows-874',
  '932': 'shift_jis',
  '936': 'gbk',
  '949': 'euc-kr',
  '950': 'big5',
  '1250': 'windows-1250',
  '1251': 'windows-1251',
  '1252': 'windows-1252',
  '1253': 'windows-1253',
  '1254': 'windows-1254',
  '1255': 'windows-1255',
  '1256': 'windows-1256',
  '1257': 'windows-1257',
  '1258': 'windows-1258',
  '65001': 'utf-8',
}
const SIGNS: Readonly<Record<string, string>> = {
  emdash: '—',
  endash: '–',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
  tab: ' ',
  line: ' ',
  emspace: ' ',
  enspace: ' ',
  '~': ' ',
  _: '-',
  '-': '',
}

type State = {
  readonly passed: boolean
  readonly strong: boolean
  readonly em: boolean
  readonly skip: number
  readonly mark: boolean
}
const MAX_GROUPS = 5000

export function blocksOfRtf(text: string, left: Left): DocBlock[] {
  return new Reading(text, left).read()
}

class Reading {
  private readonly out: DocBlock[] = []
  private pieces: Piece[] = []
  private mark = ''
  private state: State = { passed: false, strong: false, em: false, skip: 1, mark: false }
  private readonly stack: State[] = []
  private readonly styles: ReadonlyMap<string, number>
  private bytes: number[] = []
  private codepage = 'windows-1252'
  private level: number | null = null
  private depth = 0
  private rows: Piece[][][] = []
  private row: Piece[][] = []
  private inTable = false

  constructor(
    private readonly text: string,
    private readonly left: Left,
  ) {
    this.styles = headingStyles(text)
  }

  read(): DocBlock[] {
    const token = /\\([a-z]{1,32})(-?\d{1,10})? ?|\\'([0-9a-f]{2})|\\([^a-z0-9])|([{}])|[\r\n]+|([^\\{}\r\n]+)/gi
    let waiting = 0
    for (const [, word, parameter, hex, sign, brace, words] of this.text.matchAll(token)) {
      if (hex !== undefined) {
        if (waiting > 0) waiting--
        else if (!this.state.passed) this.bytes.push(Number.parseInt(hex, 16))
        continue
      }
      this.flushBytes()
      if (brace === '{') this.open()
      else if (brace === '}') this.close()
      else if (word !== undefined) {
        if (word === 'u') {
          this.say(String.fromCharCode((Number(parameter) + 65_536) % 65_536))
          waiting = this.state.skip
        } else if (word === 'bin') this.left.add('binary parts')
        else this.word(word, parameter === undefined ? null : Number(parameter))
      } else if (sign === '*') this.state = { ...this.state, passed: true }
      else if (sign !== undefined) this.say(SIGNS[sign] ?? sign)
      else if (words !== undefined) {
        this.say(waiting > 0 ? words.slice(waiting) : words)
        waiting = 0
      }
    }
    this.paragraph()
    this.endTable()
    return this.out
  }

  private open(): void {
    if (this.stack.length < MAX_GROUPS) this.stack.push(this.state)
  }
  private close(): void {
    this.state = this.stack.pop() ?? this.state
  }

  private flushBytes(): void {
    if (this.bytes.length === 0) return
    const bytes = new Uint8Array(this.bytes)
    this.bytes = []
    this.say(new TextDecoder(this.codepage).decode(bytes))
  }

  private say(words: string): void {
    if (this.state.passed || words === '') return
    if (this.state.mark) this.mark += words
    else this.pieces.push({ text: words, strong: this.state.strong, em: this.state.em })
  }

  private word(word: string, value: number | null): void {
    if (PASSED.has(word)) {
      if (word === 'pict') this.left.add('pictures')
      if (word === 'object') this.left.add('embedded objects')
      if (word === 'footnote') this.left.add('notes at the foot')
      this.state = { ...this.state, passed: true }
      return
    }
    if (this.state.passed) return
    const sign = SIGNS[word]
    if (sign !== undefined) return this.say(sign)
    // The mark of an item is set in a paragraph of its own, which says nothing of this one.
    if (this.state.mark && word === 'pard') return
    this.words[word]?.(value)
  }

  private readonly words: Readonly<Record<string, (value: number | null) => void>> = {
    ansicpg: (v) => void (this.codepage = CODEPAGES[String(v)] ?? 'windows-1252'),
    uc: (v) => void (this.state = { ...this.state, skip: v ?? 1 }),
    b: (v) => void (this.state = { ...this.state, strong: v !== 0 }),
    i: (v) => void (this.state = { ...this.state, em: v !== 0 }),
    plain: () => void (this.state = { ...this.state, strong: false, em: false }),
    par: () => this.paragraph(),
    sect: () => this.paragraph(),
    page: () => this.paragraph(),
    pard: () => {
      this.level = null
      this.depth = 0
      this.inTable = false
    },
    s: (v) => void (this.level = this.styles.get(String(v)) ?? this.level),
    outlinelevel: (v) => void (v !== null && v < 6 && (this.level = v + 1)),
    ilvl: (v) => void (this.depth = Math.min(8, v ?? 0)),
    intbl: () => void (this.inTable = true),
    // The mark of an item, as programs that know no lists show it.
    listtext: () => void (this.state = { ...this.state, mark: true }),
    pntext: () => void (this.state = { ...this.state, mark: true }),
    cell: () => {
      this.row.push(this.pieces)
      this.pieces = []
    },
    row: () => {
      if (this.row.length > 0) this.rows.push(this.row)
      this.row = []
    },
  }

  private paragraph(): void {
    const { pieces, mark } = this
    if (this.inTable) return void pieces.push({ text: ' ' })
    this.pieces = []
    this.mark = ''
    if (!pieces.some((p) => p.text.trim() !== '')) return
    this.endTable()
    if (this.level !== null) this.out.push({ block: 'heading', level: this.level, pieces })
    else if (mark.trim() !== '') this.out.push({ block: 'item', depth: this.depth, number: numberOf(mark), pieces })
    else this.out.push({ block: 'paragraph', pieces })
  }

  private endTable(): void {
    if (this.rows.length > 0) this.out.push({ block: 'table', rows: this.rows })
    this.rows = []
  }
}

const numberOf = (mark: string): number | null => {
  const found = /(\d+)\D*$/.exec(mark.trim())
  return found ? Number(found[1]) : null
}

/** Styles that are headings, by their number: by the level they have in an outline, or by what they are called. */
function headingStyles(text: string): ReadonlyMap<string, number> {
  const out = new Map<string, number>()
  const from = text.indexOf('{\\stylesheet')
  if (from < 0) return out
  const sheet = text.slice(from, from + 120_000)
  for (const { index, 1: number = '' } of sheet.matchAll(/\{\\s(\d{1,5})/g)) {
    const end = sheet.indexOf(';}', index)
    if (end < 0) break
    const style = sheet.slice(index, Math.min(end, index + 2000))
    const name = style
      .replace(/\{[^{}]*\}/g, '')
      .replace(/\\[a-z]+-?\d* ?/g, '')
      .replace(/[{}\r\n]/g, '')
      .trim()
    const outline = /\\outlinelevel(\d)/.exec(style)?.[1]
    const named = /^(?:heading|Überschrift|Titre|Título|Titolo|Kop)\s?(\d)$/i.exec(name)?.[1]
    if (outline !== undefined && Number(outline) < 6) out.set(number, Number(outline) + 1)
    else if (named !== undefined) out.set(number, Number(named))
    else if (/^(?:Title|Titel)$/i.test(name)) out.set(number, 1)
  }
  return out
}
