/** “Load the cars, which takes 20 minutes”: a time that the words tell of a step can be reckoned with; it is never taken unasked. */
import type { Figure, FigureNode } from '../figure'
import { factor, quantityIn } from '../quantity'
import { said } from '../words'
import { asItIs, type Doubt } from './doubts'

const NUMBER = '\\d+(?:[.,]\\d+)?'
const TIME = new RegExp(
  `(?:${NUMBER}\\s?(?:–|-|to|bis)\\s?)?${NUMBER}[\\s\\u00a0-]?(?:seconds?|secs?|minutes?|mins?|hours?|hrs?|h|days?|weeks?|Sekunden?|Minuten?|Stunden?|Tage?n?)(?![\\p{L}\\d])|half an hour|an hour|(?:one|two|three|four|five|ten) (?:minutes|hours|days)`,
  'iu',
)
/** What a time is not of the step itself: until when, how late, how often, how old. */
const OTHERWISE =
  /(?:before|after|within|every|each|ago|later|old|older|early|late|last|next|least every|vor|nach|alle|jede[nrs]?)\s*$/i

type Timed = { readonly node: FigureNode; readonly words: string }

function timed(node: FigureNode): Timed | null {
  if (node.role !== 'step' || node.duration) return null
  for (const text of [node.text, node.detail ?? '']) {
    const found = TIME.exec(text)
    if (
      !found ||
      OTHERWISE.test(text.slice(0, found.index)) ||
      /^\s*(?:before|after|ago|later|early|late|old)\b/i.test(text.slice(found.index + found[0].length))
    )
      continue
    const words = found[0].replace(/(\d)-(?=\p{L})/u, '$1 ')
    const q = quantityIn(words)
    if (q && factor(q.unit, 'min') !== null) return { node, words }
  }
  return null
}

/** One question for all steps of a process that tell a time. */
export function timeDoubt(figure: Figure): Doubt[] {
  if (figure.kind !== 'process') return []
  const found = Object.values(figure.nodes).flatMap((n) => timed(n) ?? [])
  const [first] = found
  if (!first) return []
  return [
    {
      id: 'times',
      question: said(
        '{count, plural, one {One step tells} other {# steps tell}} a time (“{words}”). Is it how long the step takes?',
        { count: found.length, words: first.words },
      ),
      about: found.map((f) => f.node.id),
      options: [
        { label: said('Leave it in the words'), edit: asItIs },
        {
          label: said('Yes, reckon with it'),
          edit: {
            do: 'all',
            edits: found.map((f) => ({ do: 'setNode', id: f.node.id, set: { duration: f.words } }) as const),
          },
        },
      ],
    },
  ]
}
