import { measureWords, type Figure } from '../figure'
import { outlineOf, type OutlineRow } from '../document'

/** A figure as a Markdown outline: what stands in its outline on the bench, as nested lists. */
export function markdownOf(figure: Figure): string {
  const rows = outlineOf(figure)
  const numbered = figure.kind === 'process' || figure.kind === 'points'
  let number = 0
  const lines = rows.map((row) => {
    const indent = '   '.repeat(row.depth)
    if (row.row === 'detail') return `${indent}${oneLine(row.node.detail ?? '')}\n`
    const isStep = row.row === 'node' && row.depth === 0 && numbered
    const mark = isStep ? `${++number}.` : '-'
    return `${indent}${mark} ${wordsOf(row, figure)}`
  })
  return `${figure.title ? `# ${oneLine(figure.title)}\n\n` : ''}${lines.join('\n')}\n`
}

const oneLine = (text: string): string => text.replace(/\s*\n\s*/g, ' ').trim()

function wordsOf(row: Exclude<OutlineRow, { row: 'detail' }>, figure: Figure): string {
  switch (row.row) {
    case 'node': {
      const { text, actor, detail, measure } = row.node
      const who = actor ? `${actor}: ` : ''
      const more = figure.kind !== 'points' && detail ? ` – ${oneLine(detail)}` : ''
      return `${who}${oneLine(text)}${measure ? ` (${measureWords(measure)})` : ''}${more}`
    }
    case 'branch':
      return `${oneLine(row.link.text ?? '')}:`
    case 'goTo':
      return `${row.link.text ? `${oneLine(row.link.text)}: ` : ''}→ ${oneLine(row.to.text)}`
    case 'statement':
      return `${row.link.text ? `${oneLine(row.link.text)} ` : ''}→ ${oneLine(row.to.text)}`
    case 'region':
      return `${row.sets.map((s) => oneLine(s.text)).join(' & ')}:`
  }
}
