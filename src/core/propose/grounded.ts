/** Another reader's figures, held against the passage: every label is words of it in order or is marked as added, every link
 *  joins such labels, and what the figure holds of the passage is counted here. What fails is refused, with its reason. */
import { kinds, type FigureKind, type FigureLink, type FigureNode } from '../figure'
import { backEdges } from '../graph'
import type { ReadText } from '../reading'
import { answersIn, capital, type Span } from '../text'
import { type Built } from './built'
import { coverageOf } from './coverage'
import type { GivenFigure, GivenFigures, GivenLink, GivenNode } from './givenFigure'
import { figureOf, fewestOf, titleOf, type Reading } from './propose'
import { WordsInOrder } from './wordsInOrder'
import { because, refusedAs } from './because'
import { said, type Said } from '../words'

export type Refused = { readonly kind: FigureKind; readonly why: Said }
export type Grounded = { readonly readings: readonly Reading[]; readonly refused: readonly Refused[] }

/** What is asked of a kind. `told`: a node is what is done or said, not only a name. `tree`: no way leads back. `oneAbove`:
 *  no node hangs below two. */
const asked: Record<FigureKind, { readonly told?: true; readonly tree?: true; readonly oneAbove?: true }> = {
  process: { told: true },
  concept: {},
  hierarchy: { tree: true, oneAbove: true },
  venn: { told: true },
  decision: { told: true, tree: true },
  points: { told: true },
}

/** `by`: the name of the reader, as it is shown. */
export function grounded(read: ReadText, given: GivenFigures, by: string): Grounded {
  const words = new WordsInOrder(
    read.text,
    read.blocks.map((b) => b.span),
  )
  const title = titleOf(read)
  const readings: Reading[] = []
  const refused: Refused[] = []
  for (const [i, figure] of given.figures.entries()) {
    const made = new Grounding(read, words, figure).made()
    if ('why' in made) refused.push({ kind: figure.kind, why: made.why })
    else
      readings.push({
        id: `other-${i + 1}`,
        kind: figure.kind,
        score: 0,
        strong: false,
        reasons: made.built.reasons,
        coverage: coverageOf(read, made.built, title),
        doubts: [],
        figure: figureOf(read, figure.kind, made.built, title),
        other: { by, added: made.added, refused: made.refused },
      })
  }
  return { readings, refused }
}

type Made = { readonly built: Built; readonly added: readonly string[]; readonly refused: readonly Said[] }

/** One figure while it is held against the passage. */
class Grounding {
  /** By the id that the reader gave; ours are numbered. */
  private readonly nodes = new Map<string, FigureNode>()
  private readonly links: FigureLink[] = []
  private readonly added: string[] = []
  private readonly refused: Said[] = []
  private from = 0

  constructor(
    private readonly read: ReadText,
    private readonly words: WordsInOrder,
    private readonly given: GivenFigure,
  ) {}

  made(): Made | { readonly why: Said } {
    const { kind, nodes, links } = this.given
    nodes.forEach((n) => this.takeNode(n))
    if (kind === 'venn') this.placeMembers()
    links.forEach((l) => this.takeLink(l))
    this.dropCircles()
    const [first] = this.refused
    if (this.nodes.size < fewestOf(kind)) return { why: first ?? refusedAs.tooFew(this.nodes.size) }
    if (this.fellApart()) return { why: refusedAs.apart(first) }
    const kept = [...this.nodes.values()]
    const built = { nodes: kept, links: this.links, score: 0, reasons: [because.nodes(kept.length)] }
    return { built, added: this.added, refused: this.refused }
  }

  private refuse(what: string, why: Said): null {
    this.refused.push(said('“{words}”: {why}.', { words: shown(what), why }))
    return null
  }

  /** The words and where they stand; null, and refused, where the passage does not have them. */
  private say(label: string, added: boolean | undefined, whole: boolean): { label: string; source: Span[] } | null {
    const clean = shown(label)
    if (clean === '') return this.refuse(label, refusedAs.noWords)
    if (added) return { label: clean, source: [] }
    const found = this.words.find(clean, this.from, whole)
    if ('why' in found) return this.refuse(label, found.why)
    return { label: found.label, source: [found.span] }
  }

  private takeNode(n: GivenNode): void {
    const { kind } = this.given
    const told = asked[kind].told === true
    if (this.nodes.has(n.id)) return void this.refuse(n.label, refusedAs.sameId)
    const said = this.say(n.label, n.added, told)
    if (!said) return
    const [detail, actor] = [n.detail, n.actor].map((x, i) => (x ? this.say(x, n.added, told && i === 0) : null))
    this.from = said.source[0]?.start ?? this.from
    const id = `n${this.nodes.size + 1}`
    const order = this.nodes.size + 1
    const source = [said, detail, actor].flatMap((x) => x?.source ?? [])
    const role = kinds[kind].nodeRoles.find((r) => r === n.role) ?? kinds[kind].plainRole
    if (n.added) this.added.push(id)
    this.nodes.set(n.id, {
      id,
      role,
      text: capital(said.label),
      order,
      source,
      ...(detail ? { detail: detail.label } : {}),
      ...(actor ? { actor: actor.label } : {}),
    })
  }

  /** Members go into the sets that are left; one that is in none is no member. */
  private placeMembers(): void {
    for (const { id, label, sets } of this.given.nodes) {
      const node = this.nodes.get(id)
      if (!node || node.role === 'set') continue
      const memberOf = (sets ?? []).flatMap((s) => {
        const set = this.nodes.get(s)
        return set?.role === 'set' ? [set.id] : []
      })
      if (memberOf.length === (sets?.length ?? 0) && memberOf.length > 0) this.nodes.set(id, { ...node, memberOf })
      else {
        this.nodes.delete(id)
        this.refuse(label, refusedAs.noSuchSet)
      }
    }
  }

  private takeLink(l: GivenLink): void {
    const [from, to] = [this.nodes.get(l.from), this.nodes.get(l.to)]
    const what = `${this.labelOf(l.from)} → ${this.labelOf(l.to)}`
    if (!from || !to) return void this.refuse(what, refusedAs.noEnd)
    if (from === to) return void this.refuse(what, refusedAs.intoItself)
    if (asked[this.given.kind].oneAbove && this.links.some((x) => x.to === to.id))
      return void this.refuse(what, refusedAs.twoAbove)
    const text = l.label?.trim() ?? ''
    const answers: string[] = Object.values(answersIn(this.read.language))
    const plain = text === '' || answers.includes(text.toLowerCase())
    const said = plain ? { label: text, source: [] } : this.say(text, l.added, false)
    if (!said) return
    const [usual, weighs] = kinds[this.given.kind].linkRoles
    if (usual === undefined) return void this.refuse(what, refusedAs.noLinks)
    const order = this.links.length + 1
    const role = from.role === 'criterion' || to.role === 'criterion' ? (weighs ?? usual) : usual
    this.links.push({
      id: `l${order}`,
      role,
      from: from.id,
      to: to.id,
      order,
      source: said.source,
      ...(said.label === '' ? {} : { text: said.label }),
    })
  }

  private labelOf(id: string): string {
    return this.given.nodes.find((n) => n.id === id)?.label ?? id
  }

  private dropCircles(): void {
    if (!asked[this.given.kind].tree) return
    const text = new Map([...this.nodes.values()].map((n) => [n.id, n.text]))
    const back = backEdges([...text.keys()], this.links)
    for (const at of [...back].toSorted((a, b) => b - a))
      for (const l of this.links.splice(at, 1))
        this.refuse(`${text.get(l.from) ?? ''} → ${text.get(l.to) ?? ''}`, refusedAs.circle)
  }

  /** Whether nodes that hung together in what was given do not any more. */
  private fellApart(): boolean {
    const ids = [...this.nodes].map(([given, { id }]) => ({ given, id }))
    const before = pieces(
      this.given.nodes.map((n) => n.id),
      this.given.links,
    )
    const now = pieces(
      ids.map((x) => x.id),
      this.links,
    )
    const count = (of: ReadonlyMap<string, string>, key: 'given' | 'id') => new Set(ids.map((x) => of.get(x[key]))).size
    return count(now, 'id') > count(before, 'given')
  }
}

/** By node, the name of the connected piece it is in. */
function pieces(
  ids: readonly string[],
  links: readonly { readonly from: string; readonly to: string }[],
): Map<string, string> {
  const of = new Map(ids.map((id) => [id, id]))
  for (const { from, to } of links) {
    const [a, b] = [of.get(from), of.get(to)]
    if (a === undefined || b === undefined || a === b) continue
    for (const [id, piece] of of) if (piece === b) of.set(id, a)
  }
  return of
}

/** As it may be shown: without what cannot be seen and without breaks. */
const shown = (s: string): string =>
  s
    .replace(/[^\P{C}\s]/gu, '')
    .replace(/\s+/g, ' ')
    .trim()
