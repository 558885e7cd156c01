/** “Load the cars, which takes 20 minutes”, “Replace the rope for £400”, “in 1 in 20 crossings”: what words tell in numbers can be
 *  reckoned with; it is never taken unasked. */
import { chanceIn, type Edit } from '../document'
import { linksInOrder, nodesInOrder, type Figure, type FigureKind, type FigureNode } from '../figure'
import { factor, quantityIn, type Quantity } from '../quantity'
import { said, type Said } from '../words'
import { asItIs, type Doubt } from './doubts'

type Told = { readonly about: string; readonly words: string; readonly edit: Edit }
type Row = {
  readonly id: string
  readonly kind: FigureKind
  readonly told: (f: Figure) => readonly Told[]
  readonly question: (count: number, words: string) => Said
}

const NUMBER = '\\d+(?:[.,]\\d+)?'
const RANGE = `(?:${NUMBER}\\s?(?:–|-|to|bis)\\s?)?${NUMBER}`
const TIME = new RegExp(
  `${RANGE}[\\s\\u00a0-]?(?:seconds?|secs?|minutes?|mins?|hours?|hrs?|h|days?|weeks?|Sekunden?|Minuten?|Stunden?|Tage?n?)(?![\\p{L}\\d])|half an hour|an hour|(?:one|two|three|four|five|ten) (?:minutes|hours|days)`,
  'iu',
)
/** What a time is not of the step itself: until when, how late, how often, how old. */
const NO_LENGTH = {
  before:
    /(?<!\p{L})(?:before|after|within|every|each|ago|later|old|older|early|late|last|next|least every|vor|nach|alle|jede[nrs]?)\s*$/iu,
  after: /^\s*(?:before|after|ago|later|early|late|old)\b/i,
}
const DIGITS = '\\d{1,3}(?:,\\d{3})+|\\d+(?:[.,]\\d{1,2})?'
const MONEY = new RegExp(
  `[£$€]\\s?(?:(?:${DIGITS})\\s?(?:–|-|to)\\s?[£$€]?)?(?:${DIGITS})|(?:${DIGITS})[\\s\\u00a0](?:pounds|euros|dollars|Euro)(?!\\p{L})`,
  'iu',
)
/** What an amount is not what the step costs: a bound, what comes in, a rate, or what is owed or held. */
const NO_COST = {
  before:
    /(?<!\p{L})(?:over|under|above|below|up to|at least|at most|more than|less than|exceed(?:s|ing)?|worth|from|über|unter|ab|(?:recover|receive|earn|collect|refund|gain|save|have|has|get|win|raise)s?)\s*(?:the|some|about|another)?\s*$/iu,
  after:
    /^\s*(?:or (?:more|less)|and (?:above|over)|an? \p{L}+|per |each\b|limit|note|coin|deposit|in (?:equity|savings|cash))/iu,
}
const CHANCE = /\d+(?:[.,]\d+)?\s?(?:%|per cent|percent|Prozent)|(?:\d+|one) in (?:\d+|ten|twenty|a hundred)/iu
const NUMBERED: Readonly<Record<string, string>> = { one: '1', ten: '10', twenty: '20', 'a hundred': '100' }

type Bounds = { readonly before: RegExp; readonly after: RegExp }

/** The first words of a text that fit and are not bounded off by what stands beside them. */
function foundIn(text: string, pattern: RegExp, bounds: Bounds): string | null {
  const found = pattern.exec(text)
  if (!found || bounds.before.test(text.slice(0, found.index))) return null
  return bounds.after.test(text.slice(found.index + found[0].length)) ? null : found[0]
}

/** What steps tell in a unit. */
const toldOfSteps = (
  f: Figure,
  look: { readonly pattern: RegExp; readonly bounds: Bounds; readonly fits: (q: Quantity) => boolean },
  free: (n: FigureNode) => boolean,
  set: (n: FigureNode, words: string) => Partial<FigureNode>,
): Told[] =>
  nodesInOrder(f).flatMap((n) => {
    if (n.role !== 'step' || !free(n)) return []
    for (const text of [n.text, n.detail ?? '']) {
      const words = foundIn(text, look.pattern, look.bounds)?.replace(/(\d)-(?=\p{L})/u, '$1 ')
      const q = words === undefined ? null : quantityIn(words)
      if (words !== undefined && q && look.fits(q))
        return [{ about: n.id, words, edit: { do: 'setNode', id: n.id, set: set(n, words) } }]
    }
    return []
  })

/** “yes, in 30 % of crossings”: how often an answer is the one, as its link or the step it leads to says. */
const toldOfAnswers = (f: Figure): Told[] =>
  linksInOrder(f).flatMap((l) => {
    if (f.nodes[l.from]?.role !== 'question' || l.probability !== undefined) return []
    const words = [l.text ?? '', f.nodes[l.to]?.text ?? ''].flatMap((t) => CHANCE.exec(t)?.[0] ?? [])[0]
    const plain = words?.replace(/one|ten|twenty|a hundred/gi, (w) => NUMBERED[w.toLowerCase()] ?? w)
    const chance = plain === undefined ? null : chanceIn(plain.replace(/per cent|percent|Prozent/i, '%'))
    if (words === undefined || chance === null) return []
    return [{ about: l.id, words, edit: { do: 'setLink', id: l.id, set: { probability: chance } } }]
  })

const rows: readonly Row[] = [
  {
    id: 'times',
    kind: 'process',
    told: (f) =>
      toldOfSteps(
        f,
        { pattern: TIME, bounds: NO_LENGTH, fits: (q) => factor(q.unit, 'min') !== null },
        (n) => !n.duration,
        (_, duration) => ({ duration }),
      ),
    question: (count, words) =>
      said(
        '{count, plural, one {One step tells} other {# steps tell}} a time (“{words}”). Is it how long the step takes?',
        { count, words },
      ),
  },
  {
    id: 'costs',
    kind: 'process',
    told: (f) =>
      toldOfSteps(
        f,
        { pattern: MONEY, bounds: NO_COST, fits: (q) => q.unit !== '' },
        (n) => n.fields?.Cost === undefined,
        (n, words) => ({ fields: { ...n.fields, Cost: words } }),
      ),
    question: (count, words) =>
      said(
        '{count, plural, one {One step tells} other {# steps tell}} an amount (“{words}”). Is it what the step costs?',
        { count, words },
      ),
  },
  {
    id: 'chances',
    kind: 'process',
    told: toldOfAnswers,
    question: (count, words) =>
      said(
        '{count, plural, one {One answer tells} other {# answers tell}} how often (“{words}”). Is it the chance of that answer?',
        { count, words },
      ),
  },
]

/** One question for all that tell the same kind of quantity. */
export const quantityDoubts = (figure: Figure): Doubt[] =>
  rows.flatMap((row) => {
    const found = row.kind === figure.kind ? row.told(figure) : []
    const [first] = found
    if (!first) return []
    return [
      {
        id: row.id,
        question: row.question(found.length, first.words),
        about: found.map((t) => t.about),
        options: [
          { label: said('Leave it in the words'), edit: asItIs },
          { label: said('Yes, reckon with it'), edit: { do: 'all', edits: found.map((t) => t.edit) } },
        ],
      },
    ]
  })
