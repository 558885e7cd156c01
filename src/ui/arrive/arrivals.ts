/** Files on their way in: what each has come to, and what can be made of it. Pure. */
import { nanoid } from 'nanoid'
import { figureOfTable, tableAs, tableOf, apply, type Chosen, type Column } from '@/core/document'
import { blankFigure, kinds, type Figure, type FigureKind } from '@/core/figure'
import { said, type Said } from '@/core/words'

export type Sheet = { readonly name: string; readonly rows: readonly (readonly string[])[] }
/** A figure as it stood when it was put into a file. */
export type Placed = { readonly id: string; readonly version: string; readonly title: string }
/** As the server tells of it; checked there. */
export type Imported = { readonly left: readonly string[]; readonly placed: readonly Placed[] } & (
  | { readonly as: 'text'; readonly title: string; readonly markdown: string; readonly figures: readonly Figure[] }
  | { readonly as: 'figures'; readonly figures: readonly Figure[] }
  | { readonly as: 'sheets'; readonly title: string; readonly sheets: readonly Sheet[] }
)

export type Arrival = {
  readonly id: string
  readonly name: string
  readonly state:
    | { readonly is: 'reading' }
    | { readonly is: 'refused'; readonly why: string }
    | { readonly is: 'here'; readonly came: Imported }
    | { readonly is: 'taken'; readonly into: string }
}

/** What a person has said of the columns of a sheet. */
export type Reading = { readonly sheet: number; readonly headed: boolean; readonly columns: readonly Chosen[] }

const widthOf = (sheet: Sheet | undefined): number => Math.max(0, ...(sheet?.rows ?? []).map((r) => r.length))

/** As the columns are guessed. */
export function guessed(sheets: readonly Sheet[], sheet: number): Reading {
  const rows = sheets[sheet]?.rows ?? []
  const table = tableOf(rows)
  const columns = Array.from({ length: widthOf(sheets[sheet]) }, (_, i): Chosen => table.columns[i] ?? 'none')
  return { sheet, headed: table.rows.length < rows.length, columns }
}

/** What a column can be said to be; own columns and sets are called by their heads. */
export const columnChoices: readonly { readonly id: string; readonly says: Said }[] = [
  { id: 'text', says: said('Words') },
  { id: 'id', says: said('Id of the row') },
  { id: 'parent', says: said('What it is below') },
  { id: 'detail', says: said('Detail') },
  { id: 'next', says: said('What it leads to') },
  { id: 'actor', says: said('Who') },
  { id: 'from', says: said('From') },
  { id: 'to', says: said('To') },
  { id: 'link', says: said('Words of the link') },
  { id: 'sets', says: said('Sets it is in') },
  { id: 'set', says: said('A set, marked') },
  { id: 'chance', says: said('Chance') },
  { id: 'value', says: said('Value') },
  { id: 'duration', says: said('How long') },
  { id: 'own', says: said('A column of its own') },
  { id: 'none', says: said('Leave out') },
]
export const choiceOf = (c: Chosen): string => (c.startsWith('own ') ? 'own' : c.startsWith('set ') ? 'set' : c)

/** Each meaning has one column; who had it before becomes a column of its own. */
export function withColumn(r: Reading, sheets: readonly Sheet[], at: number, choice: string): Reading {
  const head = (i: number) => (r.headed ? sheets[r.sheet]?.rows[0]?.[i]?.trim() : '') || String(i + 1)
  const many = choice === 'own' || choice === 'set'
  const chosen = (many ? `${choice} ${head(at)}` : choice) as Chosen
  const columns = r.columns.map((c, i): Chosen => {
    if (i === at) return chosen
    return c === chosen && c !== 'none' && !many ? (`own ${head(i)}` as Column) : c
  })
  return { ...r, columns }
}

export type Made = {
  readonly figure: Figure
  readonly kind: FigureKind
  readonly nodes: number
  readonly faults: number
}

/** The figure that these columns make. */
export function madeOf(title: string, sheets: readonly Sheet[], r: Reading): Made {
  const rows = sheets[r.sheet]?.rows ?? []
  const table = tableAs(rows, r.columns, r.headed)
  const blank = blankFigure(nanoid(), '')
  let count = 0
  const pasted = figureOfTable(blank, table, () => `c${++count}`)
  const figure = {
    ...apply(blank, pasted.edit).figure,
    title: sheets.length > 1 ? (sheets[r.sheet]?.name ?? title) : title,
  }
  return { figure, kind: figure.kind, nodes: Object.keys(figure.nodes).length, faults: pasted.faults.length }
}

/** Figures come in under ids of their own; those that hold each other go on doing so. */
export function renamed(figures: readonly Figure[]): Figure[] {
  const ids = new Map(figures.map((f) => [f.id, nanoid()]))
  return figures.map((f) => ({
    ...f,
    id: ids.get(f.id) ?? nanoid(),
    passage: null,
    nodes: Object.fromEntries(
      Object.entries(f.nodes).map(([id, { inset, ...n }]) => {
        const held = inset === undefined ? undefined : ids.get(inset)
        return [id, held === undefined ? n : { ...n, inset: held }]
      }),
    ),
  }))
}

/** In a line. */
export function saysOf(came: Imported): Said {
  const says = cameAs(came)
  return came.left.length > 0
    ? said('{says}. Without: {left}.', { says, left: came.left.join(', ') })
    : said('{says}.', { says })
}

function cameAs(came: Imported): Said {
  const figures = came.as === 'sheets' ? 0 : came.figures.length
  if (came.as === 'text') {
    const words = came.markdown.split(/\s+/).filter(Boolean).length
    return figures > 0
      ? said(
          'A text of {words, plural, one {# word} other {# words}}, and {figures, plural, one {one figure} other {# figures}}',
          { words, figures },
        )
      : said('A text of {words, plural, one {# word} other {# words}}', { words })
  }
  if (came.as === 'sheets')
    return came.sheets.length > 1
      ? said('{n} sheets', { n: came.sheets.length })
      : said('A table of {rows, plural, one {# row} other {# rows}}', { rows: came.sheets[0]?.rows.length ?? 0 })
  const [first] = came.figures
  if (figures !== 1 || !first) return said('{figures, plural, one {one figure} other {# figures}}', { figures })
  return said('{kind}: {title}', {
    kind: said(kinds[first.kind].name),
    title: first.title || said('without a title'),
  })
}
