/** The passages the reading engine is scored on: text files, each passage with what a careful editor would draw from it.
 *  Format and the split into `develop` and `check` are described in `corpus/README.md`. Shares no code with the reader. */
import { existsSync, readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

export type GoldLink = { readonly from: string; readonly to: string; readonly text: string }
export type Gold = {
  readonly id: string
  readonly language: string
  /** The right kind first, then others that are right too. */
  readonly kinds: readonly string[]
  readonly form: string
  readonly loose: boolean
  readonly ferries: boolean
  readonly part: 'develop' | 'check'
  readonly text: string
  readonly nodes: Readonly<Record<string, string>>
  readonly links: readonly GoldLink[]
  readonly actors: Readonly<Record<string, string>>
}

/** FNV-1a: a passage's part depends on its id alone, so that nobody can choose. */
function hash(s: string): number {
  let h = 0x811c9dc5
  for (const c of s) h = Math.imul(h ^ (c.codePointAt(0) as number), 0x01000193) >>> 0
  return h
}

export function corpus(root = 'corpus'): Gold[] {
  return readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.txt'))
    .toSorted()
    .flatMap((file) => {
      const language = path.dirname(file).split(path.sep)[0] ?? ''
      return readFileSync(path.join(root, file), 'utf8')
        .split(/^(?==== )/m)
        .map((p) => passage(p, language))
    })
}

function passage(source: string, language: string): Gold {
  const [head = '', ...lines] = source.split('\n')
  const [, id = '', kinds = '', form = '', style = '', world = '', seen = ''] = head.split(' ')
  const found = lines.indexOf('~~~')
  if (found < 0 && kinds !== 'none') throw new Error(`corpus: ${id} has no gold`)
  const cut = found < 0 ? lines.length : found
  const text = lines.slice(0, cut).join('\n').trimEnd()
  const gold = lines.slice(cut + 1).filter((l) => l.trim() !== '')
  return {
    id,
    language,
    kinds: kinds.split(','),
    form,
    loose: style === 'loose',
    ferries: world === 'ferries',
    part: seen === 'seen' || hash(id) % 2 === 0 ? 'develop' : 'check',
    text,
    ...goldOf(kinds.split(',')[0] as string, gold),
  }
}

type Drawing = Pick<Gold, 'nodes' | 'links' | 'actors'>
const goldOf = (kind: string, lines: readonly string[]): Drawing =>
  kind === 'process'
    ? steps(lines)
    : kind === 'venn'
      ? sets(lines)
      : kind === 'concept'
        ? triples(lines)
        : outline(lines)

/** `a Check moorings [Mate]`, `a > b > c`, `q > b : yes`. */
function steps(lines: readonly string[]): Drawing {
  const nodes: Record<string, string> = {}
  const actors: Record<string, string> = {}
  const links: GoldLink[] = []
  for (const line of lines) {
    const node = /^(\w+) ([^>].*?)(?: \[(.*)\])?$/.exec(line)
    if (node && !/^\w+ > /.test(line)) {
      nodes[node[1] as string] = node[2] as string
      if (node[3]) actors[node[1] as string] = node[3]
      continue
    }
    const [chain = '', text = ''] = line.split(' : ')
    const ids = chain.split(' > ').map((s) => s.trim())
    ids.slice(1).forEach((to, i) => links.push({ from: ids[i] as string, to, text }))
  }
  return { nodes, links, actors }
}

/** `Set & Set: member; member`. */
function sets(lines: readonly string[]): Drawing {
  const draw = drawing()
  for (const line of lines) {
    const cut = line.indexOf(': ')
    for (const member of line.slice(cut + 2).split('; '))
      for (const set of line.slice(0, cut).split(' & ')) draw.link(`m ${member}`, set, '')
  }
  return draw.done()
}

/** `From | words | To; To`. */
function triples(lines: readonly string[]): Drawing {
  const draw = drawing()
  for (const line of lines) {
    const [from = '', text = '', to = ''] = line.split(' | ')
    for (const t of to.split('; ')) draw.link(from, t, text)
  }
  return draw.done()
}

/** Indented labels, with `words :: ` for what stands at the link from the parent. */
function outline(lines: readonly string[]): Drawing {
  const nodes: Record<string, string> = {}
  const links: GoldLink[] = []
  const above: string[] = []
  lines.forEach((line, i) => {
    const depth = (line.length - line.trimStart().length) / 2
    const [first = '', second] = line.trim().split(' :: ')
    nodes[`n${i}`] = second ?? first
    above.length = depth
    const from = above.at(-1)
    if (from !== undefined) links.push({ from, to: `n${i}`, text: second === undefined ? '' : first })
    above.push(`n${i}`)
  })
  return { nodes, links, actors: {} }
}

function drawing() {
  const nodes: Record<string, string> = {}
  const links: GoldLink[] = []
  return {
    link(from: string, to: string, text: string) {
      for (const n of [from, to]) nodes[n.toLowerCase()] = n.replace(/^m /, '')
      links.push({ from: from.toLowerCase(), to: to.toLowerCase(), text })
    },
    done: (): Drawing => ({ nodes, links, actors: {} }),
  }
}

const OTHERS = '../shared/corpus/real/develop.jsonl'

/** Passages by others, which stand beside the repository and not in it; none where they are not at hand. */
export const passagesOfOthers = (): string[] =>
  existsSync(OTHERS)
    ? readFileSync(OTHERS, 'utf8')
        .split('\n')
        .filter((l) => l !== '')
        .map((l) => (JSON.parse(l) as { text: string }).text)
    : []
