import { linksInOrder, nodesInOrder, notesInOrder, type Figure } from './figure'
import { kinds } from './kinds'

/** The figure in words, for those who cannot see it: its own alt text, or kind, title, and each node with where it leads. */
export function altTextOf(figure: Figure): string {
  if (figure.altText) return figure.altText
  const links = linksInOrder(figure)
  const sentences = nodesInOrder(figure).map((n) => {
    const out = links.filter((l) => l.from === n.id)
    const beside = out.filter((l) => l.role === 'beside').length > 1 ? 'at the same time: ' : ''
    const to = out.map((l) => `${l.text ? `${l.text}: ` : ''}${figure.nodes[l.to]?.text ?? ''}`)
    const detail = n.detail ? `: ${n.detail}` : ''
    const shows = n.picture ? (n.picture.alt ? ` (picture: ${n.picture.alt})` : ' (with a picture)') : ''
    return `${n.text}${shows}${detail}${to.length > 1 || out.some((l) => l.text) ? ` (${beside}${to.join('; ')})` : ''}`
  })
  const notes = notesInOrder(figure).map((n) => ` Note: ${n.text}.`)
  return `${kinds[figure.kind].name}${figure.title ? ` “${figure.title}”` : ''}, ${sentences.length} parts. ${sentences.join('. ')}.${notes.join('')}`
}
