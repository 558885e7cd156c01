/** `npm run score`: how well the reading engine does on the corpus, by part, kind and form; where the passages of others stand
 *  beside the repository, on those as well. `--list` adds the passages that fail, with what is missing and what is too much. */
import { execFileSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { propose, WORTH_SHOWING, type Reading } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { corpus, type Gold } from '@/core/testing/corpus'
import { drawnOf, f1, match, noCounts, precision, recall, sum, type Match } from '@/core/testing/scoring'

type Scored = {
  readonly gold: Gold
  readonly first: boolean
  readonly second: boolean
  readonly match: Match
  readonly best: Reading | undefined
  readonly figure: Reading | undefined
}

const lexicon = shippedLexicon()

function scored(gold: Gold): Scored {
  const readings = propose(readText(gold.text, lexicon))
  const offered = readings.filter((r) => r.score >= WORTH_SHOWING)
  const none = gold.kinds[0] === 'none'
  const right = (r: Reading | undefined) => (none ? r === undefined : r !== undefined && gold.kinds.includes(r.kind))
  const figure = readings.find((r) => r.kind === gold.kinds[0])
  return {
    gold,
    first: right(offered[0]),
    second: right(offered[0]) || (!none && right(offered[1])),
    match: match(gold, figure?.figure ?? null),
    best: readings[0],
    figure,
  }
}

const percent = (n: number): string => n.toFixed(2).padStart(5)
const line = (name: string, of: readonly Scored[]): string => {
  const figures = of.filter((s) => s.gold.kinds[0] !== 'none')
  const nodes = figures.map((s) => s.match.nodes).reduce(sum, noCounts)
  const links = figures.map((s) => s.match.links).reduce(sum, noCounts)
  const labels = figures.flatMap((s) => (s.figure ? drawnOf(s.figure.figure).nodes : []))
  const words = labels.map((n) => n.text.split(/\s+/).length)
  const evidence = figures.flatMap((s) => Object.values(s.figure?.figure.nodes ?? {}))
  const share = (n: number, total: number) => percent(total === 0 ? 0 : n / total)
  return [
    name.padEnd(20),
    String(of.length).padStart(4),
    share(of.filter((s) => s.first).length, of.length),
    share(of.filter((s) => s.second).length, of.length),
    percent(precision(nodes)),
    percent(recall(nodes)),
    percent(f1(nodes)),
    percent(f1(links)),
    (words.length ? words.reduce((a, b) => a + b, 0) / words.length : 0).toFixed(1).padStart(5),
    share(words.filter((n) => n > 6).length, words.length),
    share(evidence.filter((n) => n.source.length > 0).length, evidence.length),
  ].join('  ')
}

function table(title: string, all: readonly Scored[]): void {
  console.log(`\n${title}`)
  console.log(
    'passages               n   kind@1 kind@2  node P  node R node F1 link F1  words  >6     evidence'.replace(
      / {2,}/g,
      '  ',
    ),
  )
  const by = (key: (g: Gold) => string) => [...new Set(all.map((s) => key(s.gold)))].toSorted()
  console.log(line('all', all))
  for (const k of by((g) => g.kinds[0] as string))
    console.log(
      line(
        k,
        all.filter((s) => s.gold.kinds[0] === k),
      ),
    )
  for (const f of by((g) => g.form))
    console.log(
      line(
        `  ${f}`,
        all.filter((s) => s.gold.form === f),
      ),
    )
  for (const style of ['tidy', 'loose'])
    console.log(
      line(
        `${style} prose`,
        all.filter((s) => s.gold.loose === (style === 'loose') && s.gold.form === 'prose'),
      ),
    )
  console.log(
    line(
      'loose, all forms',
      all.filter((s) => s.gold.loose),
    ),
  )
}

function list(all: readonly Scored[]): void {
  for (const s of all) {
    const nodes = f1(s.match.nodes)
    const links = f1(s.match.links)
    if (s.first && (s.gold.kinds[0] === 'none' || (nodes > 0.95 && links > 0.95))) continue
    console.log(
      `\n${s.gold.id} (${s.gold.kinds[0]}) → ${s.best?.kind} ${s.best?.score}; right kind ${s.figure?.score ?? 'missing'}  node ${nodes.toFixed(2)} link ${links.toFixed(2)}`,
    )
    if (!s.figure || s.gold.kinds[0] === 'none') continue
    const drawn = drawnOf(s.figure.figure)
    const name = new Map(drawn.nodes.map((n) => [n.id, n.text]))
    const matched = new Set(s.match.pairs.values())
    const missing = Object.entries(s.gold.nodes)
      .filter(([g]) => !s.match.pairs.has(g))
      .map(([, t]) => t)
    const extra = drawn.nodes.filter((n) => !matched.has(n.id)).map((n) => n.text)
    if (missing.length) console.log(`  missing: ${missing.join(' | ')}`)
    if (extra.length) console.log(`  extra:   ${extra.join(' | ')}`)
    const back = new Map([...s.match.pairs].map(([g, n]) => [n, g]))
    const lost = s.gold.links.filter(
      (l) => !drawn.links.some((d) => d.from === s.match.pairs.get(l.from) && d.to === s.match.pairs.get(l.to)),
    )
    const wrong = drawn.links.filter(
      (d) => !s.gold.links.some((l) => l.from === back.get(d.from) && l.to === back.get(d.to)),
    )
    if (lost.length)
      console.log(`  links lost:  ${lost.map((l) => `${s.gold.nodes[l.from]} → ${s.gold.nodes[l.to]}`).join(' | ')}`)
    if (wrong.length)
      console.log(`  links wrong: ${wrong.map((d) => `${name.get(d.from)} → ${name.get(d.to)}`).join(' | ')}`)
  }
}

const REAL = '../shared/tools/score-real'

const all = corpus().map(scored)
const part = (p: Gold['part'], language: (l: string) => boolean) =>
  all.filter((s) => s.gold.part === p && language(s.gold.language))
const only = process.argv.find((a) => a.startsWith('--kind='))?.slice(7)
if (process.argv.includes('--list')) list(all.filter((s) => only === undefined || s.gold.kinds[0] === only))
table(
  'develop, English',
  part('develop', (l) => l === 'en'),
)
table(
  'check, English',
  part('check', (l) => l === 'en'),
)
for (const l of ['de', 'es'])
  table(
    `${l}, develop and check`,
    all.filter((s) => s.gold.language === l),
  )
if (existsSync(REAL)) {
  console.log('\npassages by others, develop')
  console.log(execFileSync(REAL, ['develop'], { encoding: 'utf8' }).trimEnd())
}
