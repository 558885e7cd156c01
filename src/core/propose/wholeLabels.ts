/** The last hand on every label, whatever built it: none is empty, opens a bracket it does not close, or ends in a mark or a
 *  word that leads on to something else. What falls away so is counted as left out, like all that is in no label. */
import type { FigureNode } from '../figure'
import type { Built } from './built'

/** Words that no phrase ends in, by language. */
const LEADS_ON: Readonly<Record<string, RegExp>> = {
  en: /\s+(?:and|or|nor|but|the|an?|such|than|which|whose|because|of which|(?:none|each|some|most|one|part|sign|kind|sort|type|number) of)$/,
  de: /\s+(?:und|oder|aber|der|die|das|ein|eine|weil|dass)$/,
  es: /\s+(?:y|o|pero|el|la|los|las|un|una|de|que|porque)$/,
}

export function wholeLabel(label: string, language: string): string {
  const open = label.lastIndexOf('(')
  let out = open > label.lastIndexOf(')') ? label.slice(0, open) : label
  for (let before = ''; before !== out;) {
    before = out
    out = out.replace(/^[\s,;:)–—]+|[\s,;:(–—]+$/gu, '').replace(LEADS_ON[language] ?? /$^/, '')
  }
  return closed(out)
}

/** Quotes and gaps that a label opens are closed: their last sign hangs on no word, and is lost on the way. */
function closed(label: string): string {
  let out = label
  for (const [open, close] of PAIRS) {
    if (out.lastIndexOf(open) <= out.lastIndexOf(close)) continue
    const words = out.slice(out.lastIndexOf(open) + 1)
    out = /[\p{L}\p{N}]/u.test(words) ? out + close : out.slice(0, out.lastIndexOf(open)).trimEnd()
  }
  return out
}
const PAIRS = [
  ['[', ']'],
  ['“', '”'],
] as const

/** With whole labels; nodes that have none left are gone, and their links with them. */
export function withWholeLabels(built: Built, language: string): Built {
  const nodes = built.nodes
    .map((n): FigureNode => ({ ...n, text: wholeLabel(n.text, language) }))
    .filter((n) => /[^\s\p{Cc}]/u.test(n.text))
  const kept = new Set(nodes.map((n) => n.id))
  return {
    ...built,
    nodes: nodes.map((n) => (n.memberOf ? { ...n, memberOf: n.memberOf.filter((s) => kept.has(s)) } : n)),
    links: built.links.filter((l) => kept.has(l.from) && kept.has(l.to)),
  }
}
