/** Options with what sentences say of them, and what comes of each with what chance. */
import type { NodeId } from '../figure'
import type { AboutClaim, OptionClaim, ReadText } from '../reading'
import { capital, lowerFirst, slice, spansMeet } from '../text'
import { amountIn } from './amount'
import { type Built } from './built'
import { Growing } from './growing'
import { because } from './because'
import { said } from '../words'

/** Options and what the sentences say of each. */
export function fromClaims(read: ReadText): Built | null {
  const options = read.claims.filter((c): c is OptionClaim => c.relation === 'option')
  const about = read.claims.filter((c): c is AboutClaim => c.relation === 'about')
  const all = options.flatMap((c) => c.options)
  if (all.length < 2) return null
  const tree = new Growing()
  const of = options.find((c) => c.of)?.of
  const root = tree.add('choice', of?.label || 'Options', of ? [of.span] : [])
  let chances = 0
  for (const o of all) {
    const mine = about.filter((a) => a.option.key === o.key)
    const id = tree.add('option', o.label, [o.span], root)
    let last: NodeId | null = null
    for (const a of mine) {
      const amount = a.probability === null ? amountIn(slice(read.text, a.text.span)) : null
      if (a.probability !== null) {
        chances++
        last = outcome(tree, id, a)
      } else if (a.ofChance && last)
        // "There is a 70% chance that the fog lifts and we earn 9,000": what comes of the chance, and what it is worth.
        tree.add('outcome', a.text.label, [a.text.span], last, {}, amount)
      else tree.add('criterion', a.text.label, [a.text.span], id, a.criterion ? { text: a.criterion } : {})
    }
    const sum = mine.reduce((n, a) => n + (a.probability ?? 0), 0)
    const lone = mine.filter((a) => a.probability !== null)
    // One chance of something is also the chance of its absence.
    if (lone.length === 1 && sum > 0 && sum < 1 && lone[0])
      tree.add('outcome', opposite(lone[0].text.label), [lone[0].span], id, {
        probability: round(1 - sum),
        text: percent(1 - sum),
      })
  }
  const share =
    read.sentences.filter((s) => [...options, ...about].some((c) => spansMeet(s, c.span))).length /
    Math.max(1, read.sentences.length)
  const covered = all.filter((o) => about.some((a) => a.option.key === o.key)).length / all.length
  const strong = Math.max(...options.map((c) => c.weight))
  const score = 0.4 * strong + 0.2 * share + 0.25 * covered + 0.08 * Math.min(2, chances) - (covered === 0 ? 0.25 : 0)
  return tree.built(Math.min(0.97, score), [
    because.options(all.length),
    ...(chances > 0 ? [because.chances(chances)] : []),
    ...(covered === 1 ? [because.somethingOfEach] : []),
  ])
}

const round = (n: number): number => Math.round(n * 1e6) / 1e6
const percent = (n: number): string => `${Math.round(n * 1000) / 10}%`

function outcome(tree: Growing, option: NodeId, a: AboutClaim): NodeId {
  const p = a.probability as number
  const id = tree.add(
    'outcome',
    a.text.label,
    [a.text.span, a.span],
    option,
    a.estimated ? {} : { probability: round(p), text: percent(p) },
  )
  const link = tree.links.at(-1)
  if (a.estimated && link)
    tree.doubts.push({
      id: `chance-${id}`,
      question: said('How likely is “{what}”?', { what: a.text.label }),
      about: [id, link.id],
      options: [
        {
          label: said('Take {chance}, as the words suggest', { chance: percent(p) }),
          edit: { do: 'setLink', id: link.id, set: { probability: round(p), text: percent(p) } },
        },
        { label: said('Leave the chance open'), edit: { do: 'all', edits: [] } },
      ],
    })
  return id
}

/** "Leak" is "No leak", "Breaks down again" is "Does not break down again". */
function opposite(label: string): string {
  const lower = lowerFirst(label)
  const no = /^no (.*)$/i.exec(label)
  if (no) return capital(no[1] as string)
  const words = lower.split(' ')
  const at = words.findIndex((w) => THIRD.test(w))
  if (at < 0 || at > 3) return `No ${lower}`
  const verb = words[at] as string
  const base = /(?:s|x|z|ch|sh|o)es$/.test(verb)
    ? verb.slice(0, -2)
    : /[^aeiou]ies$/.test(verb)
      ? `${verb.slice(0, -3)}y`
      : verb.slice(0, -1)
  const said = [...words.slice(0, at), 'does not', base, ...words.slice(at + 1)].join(' ')
  return capital(said)
}
const THIRD =
  /^(?:breaks|runs|fails|works|rains|lifts|comes|goes|leaks|arrives|lasts|holds|falls|rises|turns|stays|needs|gets|dies|stops|starts|sinks|pays|sells|wins|loses|melts|freezes|snows|succeeds|happens)$/
