/** Questions: whether every answer leads somewhere, and each case to one answer. */
import type { FigureLink } from '../figure'
import { said, words } from '../words'
import { intervalIn, meetings } from './answerIntervals'
import { ASKING, START, asks, drop, withRole } from './flowRules'
import { mend, plain, shortly, type FigureRule, type Found, type Looked } from './rule'

function leadsNowhere(c: Looked): Found[] {
  return c.nodes
    .filter((n) => asks(n) && c.out(n.id).length < 2)
    .map((n) => {
      const ways = c.out(n.id).length
      const says =
        ways === 0
          ? said('“{node}” asks, and nothing follows from any answer.', { node: shortly(n.text) })
          : said('“{node}” has only one way out: a question needs two.', { node: shortly(n.text) })
      const plainly =
        c.figure.kind === 'process' && ways === 1
          ? [mend(c.figure, said('Make it a step'), withRole(c, n.id, 'step'))]
          : []
      return { parts: [n.id], says, mends: plainly }
    })
}

function sameAnswers(c: Looked): Found[] {
  return c.nodes.filter(asks).flatMap((n) => {
    const links = c.out(n.id).filter((l) => plain(l.text ?? '') !== '')
    const again = links.filter((l, i) => links.slice(0, i).some((m) => plain(m.text ?? '') === plain(l.text ?? '')))
    return again.map((l) => {
      const first = links.find((m) => plain(m.text ?? '') === plain(l.text ?? '')) as FigureLink
      const mends = first.to === l.to ? [mend(c.figure, said('Keep one of them'), drop(l.id))] : []
      return {
        parts: [n.id, first.id, l.id],
        says: said('“{node}” has the answer “{answer}” twice.', {
          node: shortly(n.text),
          answer: shortly(l.text ?? ''),
        }),
        mends,
      }
    })
  })
}

/** Answers that are numbers: 5 belongs to both of “up to 5” and “5 or more”, and to neither of “under 5” and “over 5”. */
function overlapsAndGaps(c: Looked): Found[] {
  return c.nodes.filter(asks).flatMap((n) => {
    const links = c.out(n.id)
    const intervals = links.map((l) => intervalIn(l.text ?? ''))
    if (links.length < 2 || intervals.some((i) => i === null)) return []
    return meetings(intervals.filter((i) => i !== null)).map((m): Found => {
      const parts = [n.id, ...m.of.map((i) => (links[i] as FigureLink).id)]
      const holes = { node: shortly(n.text), at: m.at }
      return {
        parts,
        says:
          m.is === 'overlap'
            ? said('“{node}”: {at} belongs to two answers.', holes)
            : said('“{node}”: {at} belongs to no answer.', holes),
      }
    })
  })
}

function wordlessAnswers(c: Looked): Found[] {
  return c.nodes
    .filter((n) => n.role === 'question' || n.role === 'chance')
    .flatMap((n) => {
      const links = c.out(n.id)
      const bare = links.filter((l) => !l.text && l.probability === undefined && l.role !== 'beside')
      if (links.length < 2 || bare.length === 0) return []
      return bare.map((l) => ({
        parts: [l.id],
        says: said('The way from “{from}” to “{to}” does not say for which answer.', {
          from: shortly(n.text),
          to: shortly(c.figure.nodes[l.to]?.text ?? ''),
        }),
      }))
    })
}

export const answerRules: readonly FigureRule[] = [
  {
    ...{ id: 'one-way-out', name: words('A question with one way out'), severity: 'error', ...ASKING },
    find: leadsNowhere,
    fires: `${START} q question Ramp wet?; b step Load; a>q; q>b yes`,
    quiet: `${START} q question Ramp wet?; b step Load; e step Spread sand; a>q; q>b no; q>e yes; e>b`,
  },
  {
    ...{ id: 'same-answers', name: words('The same answer twice'), severity: 'error', ...ASKING },
    find: sameAnswers,
    fires: `${START} q question Ramp wet?; b step Load; e step Spread sand; a>q; q>b yes; q>e Yes`,
    quiet: `${START} q question Ramp wet?; b step Load; e step Spread sand; a>q; q>b no; q>e yes`,
  },
  {
    ...{ id: 'answers-overlap', name: words('Answers that overlap or leave a gap'), severity: 'error', ...ASKING },
    find: overlapsAndGaps,
    fires: `${START} q question Wind?; b step Sail; e step Wait; a>q; q>b up to 8 m/s; q>e over 10 m/s`,
    quiet: `${START} q question Wind?; b step Sail; e step Wait; a>q; q>b up to 8 m/s; q>e over 8 m/s`,
  },
  {
    ...{ id: 'answer-without-words', name: words('A way without its answer'), severity: 'warning', ...ASKING },
    find: wordlessAnswers,
    fires: `${START} q question Ramp wet?; b step Load; e step Spread sand; a>q; q>b no; q>e`,
    quiet: `${START} q question Ramp wet?; b step Load; e step Spread sand; a>q; q>b no; q>e yes`,
  },
]
