/** Concepts with labelled links: what the sentences say that one thing does to another, and what terms mean. */
import type { FigureLink, FigureNode } from '../figure'
import { BESIDE, keyOf, type LinkClaim, type Named, type ReadText } from '../reading'
import { contentWords, countMeeting, type Span } from '../text'
import { type Built } from './built'
import { mergeDoubts, pronounDoubt, type Doubt } from './doubts'
import { Things, type Thing } from './named'
import { because } from './because'

export function conceptFigure(read: ReadText): Built {
  const claims = read.claims.filter((c): c is LinkClaim => c.relation === 'link')
  const things = new Things()
  const verbs = new Map<string, Set<Thing>>()
  const links: FigureLink[] = []
  const pointing: Pointing[] = []
  const seen = new Set<string>()
  const thingOf = (n: Named): Thing => things.find(n) ?? more(n, things) ?? changed(n, verbs) ?? things.take(n)
  const known = (n: Named): boolean => things.find(n) !== null
  for (const c of [...claims.filter((x) => x.rule !== BESIDE), ...claims.filter((x) => x.rule === BESIDE)])
    for (const f of c.from)
      for (const t of c.to) {
        if (c.rule === BESIDE && !(known(f) && known(t))) continue
        if ([f, t].some((n) => n.pronoun || namesNothing(n)) || f.key === t.key) continue
        const from = thingOf(f)
        const to = thingOf(t)
        from.source.push(f.span)
        to.source.push(t.span)
        verbs.set(c.verb, (verbs.get(c.verb) ?? new Set<Thing>()).add(to))
        const id = `${from.id} ${c.words} ${to.id}`
        if (from.id === to.id || seen.has(id)) continue
        seen.add(id)
        if (c.perhaps) pointing.push({ link: links.length, ...c.perhaps })
        links.push({
          id: `l${links.length + 1}`,
          role: 'relation',
          from: from.id,
          to: to.id,
          text: c.words,
          order: links.length + 1,
          source: [c.span],
        })
      }
  const used = new Set(links.flatMap((l) => [l.from, l.to]))
  const nodes = things.list
    .filter((t) => used.has(t.id))
    .map((t, i): FigureNode => ({ id: t.id, role: 'concept', text: t.label, order: i + 1, source: unique(t.source) }))
  const doubts = [
    ...pronounDoubts(pointing, nodes, links, (n) => things.find(n)?.id),
    ...mergeDoubts(nodes, links, keyOf),
  ]
  return { nodes, links, doubts, ...scoreOf(read, claims, nodes, links) }
}

/** A link whose beginning stands for a pronoun that could also be another thing. */
type Pointing = { readonly link: number; readonly word: string; readonly from: Named }
const MOST_POINTING = 3

function pronounDoubts(
  pointing: readonly Pointing[],
  nodes: readonly FigureNode[],
  links: readonly FigureLink[],
  idOf: (n: Named) => string | undefined,
): Doubt[] {
  const node = (id: string | undefined) => nodes.find((n) => n.id === id)
  return pointing
    .flatMap(({ link: at, word, from }) => {
      const link = links[at] as FigureLink
      const [taken, other, to] = [node(link.from), node(idOf(from)), node(link.to)]
      return taken && other && to && other !== taken && other !== to
        ? [pronounDoubt(link, word, taken, other, to.text)]
        : []
    })
    .slice(0, MOST_POINTING)
}

/** Only points, counts or joins: "it", "one of these", "many ways". */
const namesNothing = ({ key }: Named): boolean =>
  contentWords(key, { start: 0, end: key.length }).every((w) => EMPTY.test(w.stem))
const EMPTY = /^(?:thing|way|many|most|more|less|much|none|two|three|includ|\d+)$/

const unique = (spans: readonly Span[]): Span[] => [...new Map(spans.map((s) => [`${s.start} ${s.end}`, s])).values()]

/** "high humidity" and "humidity": how much there is of a thing is not another thing. */
const more = (n: Named, things: Things): Thing | null => {
  const bare = n.key.replace(/^(?:(?:too|very|so) )?(?:good|bad|poor|high|low|more|less|much|little|enough) /, '')
  return bare === n.key ? null : things.find({ ...n, key: bare })
}

/** "strains the lines ... strained lines": the participle says only what was told of them before. */
function changed(n: Named, verbs: ReadonlyMap<string, ReadonlySet<Thing>>): Thing | null {
  const [first, ...rest] = n.key.split(' ')
  if (!first || rest.length === 0) return null
  const base = first.replace(/(?:ed|en)$/, '')
  if (base === first && !/^(?:broken|worn|lost|spilt|burnt|built|kept|cut)$/.test(first)) return null
  const irregular: Readonly<Record<string, string>> = {
    broken: 'break',
    worn: 'wear',
    lost: 'lose',
    built: 'build',
    kept: 'keep',
  }
  const known = [irregular[first] ?? base, `${base}e`, base.slice(0, -1)]
    .map((v) => verbs.get(v))
    .find((x) => x !== undefined)
  const head = rest.join(' ')
  return [...(known ?? [])].find((t) => t.key === head || t.key.endsWith(` ${head}`)) ?? null
}

function scoreOf(
  read: ReadText,
  claims: readonly LinkClaim[],
  nodes: readonly FigureNode[],
  links: readonly FigureLink[],
): Pick<Built, 'score' | 'reasons'> {
  if (links.length < 2) return { score: 0.1 * links.length, reasons: [] }
  const sentences = Math.max(1, read.sentences.length)
  const share =
    countMeeting(
      read.sentences,
      claims.map((c) => c.span),
    ) / sentences
  const degree = new Map<string, number>()
  for (const l of links) for (const id of [l.from, l.to]) degree.set(id, (degree.get(id) ?? 0) + 1)
  const shared = [...degree.values()].filter((n) => n > 1).length / nodes.length
  const defined = claims.filter((c) => c.rule === 'definition').length
  const units = read.told.units
  const doing = read.told.doing / Math.max(1, units.length)
  const asked = units.filter((u) => u.asked).length / Math.max(1, units.length)
  const questions = read.told.body.filter(
    (s) => s.do === 'ask' && !/^(?:why|what|how|where|which|who)\b/i.test(s.question),
  ).length
  // Who gets what is done is the same thing said once more.
  const said = links.length - claims.filter((c) => c.rule === 'receives').length
  const perSentence = Math.min(1.5, said / sentences)
  const score =
    0.12 +
    0.22 * share +
    0.22 * perSentence +
    0.4 * shared -
    0.25 * doing -
    0.35 * asked +
    (defined >= 3 ? 0.3 : 0) -
    0.06 * Math.min(5, read.told.cueCount) -
    0.12 * Math.min(2, questions)
  return {
    score: Math.min(0.95, said < 3 ? score * 0.7 : score),
    reasons: [
      because.concepts(nodes.length),
      because.labelledLinks(links.length),
      ...(shared > 0.3 ? [because.hangTogether] : []),
      ...(defined >= 2 ? [because.terms] : []),
    ],
  }
}
