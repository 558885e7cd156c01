/** Cells of tables as words of figures. */
import { slice, type Span, type Table } from '../text'

export const cellText = (text: string, cell: Span | undefined): string =>
  cell
    ? slice(text, cell)
        .replace(/\*\*|__/g, '')
        .replace(/\s+/g, ' ')
        .trim()
    : ''

/** "Cars: 24; Lift: yes": the cells behind the first with the names of their columns. */
export const cellsWithNames = (text: string, table: Table, row: readonly Span[]): string =>
  row
    .slice(1)
    .map((c, i) => {
      const [name, value] = [cellText(text, table.head?.[i + 1]), cellText(text, c)]
      return value === '' ? '' : name === '' || table.columns === 2 ? value : `${name}: ${value}`
    })
    .filter((s) => s !== '')
    .join('; ')
