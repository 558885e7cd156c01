import Papa from 'papaparse'

/** Rows as CSV (RFC 4180), with a mark that says UTF-8. Cells that a spreadsheet would reckon with are kept as words. */
export const stringify = (rows: readonly Readonly<Record<string, string>>[]): string =>
  `\ufeff${Papa.unparse([...rows], { newline: '\r\n', escapeFormulae: true })}\r\n`
