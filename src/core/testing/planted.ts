/** Faults planted in good figures: by the rule that should find them, with the part it should name. */
import { apply, rename, type Edit } from '../document'
import { linksInOrder, nodesInOrder, type Figure, type FigureLink, type FigureNode, type NodeId } from '../figure'

/** What to do to the figure, and a part that has to be named; null where this figure gives no occasion. */
type Planted = { readonly edits: readonly Edit[]; readonly part: string | null } | null
type Pick = <T>(list: readonly T[]) => T | undefined
type Planter = { readonly rule: string; readonly plant: (f: Figure, pick: Pick) => Planted }

const out = (f: Figure, id: NodeId): FigureLink[] => linksInOrder(f).filter((l) => l.from === id)
const into = (f: Figure, id: NodeId): FigureLink[] => linksInOrder(f).filter((l) => l.to === id)
const link = (f: Figure, from: NodeId, to: NodeId, more: Partial<FigureLink> = {}): Edit => ({
  do: 'putLink',
  link: { id: 'planted', role: linksInOrder(f)[0]?.role ?? 'next', from, to, order: 99, source: [], ...more },
})
const node = (id: NodeId, role: FigureNode['role'], text: string, more: Partial<FigureNode> = {}): Edit => ({
  do: 'putNode',
  node: { id, role, text, order: 9999, source: [], ...more },
})
const drop = (l: FigureLink): Edit => ({ do: 'dropLink', id: l.id })
const questions = (f: Figure) => nodesInOrder(f).filter((n) => n.role === 'question' && out(f, n.id).length === 2)
const isOf = (f: Figure, kind: Figure['kind']) => f.kind === kind
const planted = (part: string | undefined | null, ...edits: readonly Edit[]): Planted =>
  part === undefined ? null : { edits, part }

const flows: readonly Planter[] = [
  {
    rule: 'one-way-out',
    plant: (f, pick) => {
      const q = isOf(f, 'process') ? pick(questions(f)) : undefined
      const way = q && pick(out(f, q.id))
      return way ? planted(q.id, drop(way)) : null
    },
  },
  {
    rule: 'same-answers',
    plant: (f, pick) => {
      const q = pick(questions(f).filter((n) => out(f, n.id).every((l) => l.text)))
      const [a, b] = q ? out(f, q.id) : []
      return a && b ? planted(b.id, { do: 'setLink', id: b.id, set: { text: ` ${a.text?.toUpperCase()}` } }) : null
    },
  },
  {
    rule: 'answers-overlap',
    plant: (f, pick) => {
      const q = pick(questions(f))
      const [a, b] = q ? out(f, q.id) : []
      const [low, high] = pick([
        ['up to 8 m/s', '8 m/s or more'],
        ['under 20', 'over 20'],
        ['1–5 cars', '5–9 cars'],
        ['less than 2 hours', 'more than 3 hours'],
      ] as const) as readonly [string, string]
      return a && b
        ? planted(
            q?.id,
            { do: 'setLink', id: a.id, set: { text: low } },
            { do: 'setLink', id: b.id, set: { text: high } },
          )
        : null
    },
  },
  {
    rule: 'answer-without-words',
    plant: (f, pick) => {
      const q = pick(questions(f).filter((n) => out(f, n.id).some((l) => l.text)))
      const way = q && pick(out(f, q.id).filter((l) => l.text))
      return way ? planted(way.id, { do: 'setLink', id: way.id, set: { text: null } }) : null
    },
  },
  {
    rule: 'unreached',
    plant: (f, pick) => {
      const n = isOf(f, 'process')
        ? pick(
            nodesInOrder(f)
              .slice(1)
              .filter(
                (m) =>
                  into(f, m.id).length === 1 &&
                  m.role === 'step' &&
                  out(f, m.id).every((l) => into(f, l.to).length > 1),
              ),
          )
        : undefined
      const first = nodesInOrder(f)[0]
      // Somewhere the walk has to begin.
      return n && first
        ? planted(n.id, { do: 'setNode', id: first.id, set: { role: 'start' } }, ...into(f, n.id).map(drop))
        : null
    },
  },
  {
    rule: 'two-starts',
    plant: (f, pick) => {
      const n = isOf(f, 'process')
        ? pick(
            nodesInOrder(f)
              .slice(1)
              .filter((m) => m.role === 'step'),
          )
        : undefined
      return n && nodesInOrder(f).every((m) => m.role !== 'start')
        ? planted('planted-start', node('planted-start', 'step', 'Sound the horn'), link(f, 'planted-start', n.id))
        : null
    },
  },
  {
    rule: 'endless-loop',
    plant: (f, pick) => {
      const last = isOf(f, 'process')
        ? pick(
            nodesInOrder(f).filter((m) => m.role === 'step' && out(f, m.id).length === 0 && into(f, m.id).length === 1),
          )
        : undefined
      const before = last && into(f, last.id)[0]?.from
      const more = before !== undefined && out(f, before).length === 1
      return last && more ? planted(last.id, link(f, last.id, before)) : null
    },
  },
  {
    rule: 'dead-end',
    plant: (f, pick) => {
      const steps = isOf(f, 'process')
        ? nodesInOrder(f).filter((m) => m.role === 'step' && into(f, m.id).length > 0)
        : []
      const n = pick(steps.filter((m) => out(f, m.id).length === 1))
      const last = steps.find((m) => m.id !== n?.id && out(f, m.id).length === 0)
      const end: Edit | undefined = last && { do: 'setNode', id: last.id, set: { role: 'end' } }
      return n && end ? planted(n.id, end, ...out(f, n.id).map(drop)) : null
    },
  },
  {
    rule: 'idle-actor',
    plant: (f) => {
      const first = isOf(f, 'process') && nodesInOrder(f).some((n) => n.actor) ? nodesInOrder(f)[0] : undefined
      const begin = node('pa', 'start', 'Begin', { actor: 'Pilot', order: -1 })
      return first && into(f, first.id).length === 0 ? planted('pa', begin, link(f, 'pa', first.id)) : null
    },
  },
  {
    rule: 'no-actor',
    plant: (f, pick) => {
      const steps = isOf(f, 'process') ? nodesInOrder(f).filter((m) => m.role === 'step') : []
      const n = steps.length > 3 && steps.every((m) => m.actor) ? pick(steps) : undefined
      return n ? planted(n.id, { do: 'setNode', id: n.id, set: { actor: null } }) : null
    },
  },
  {
    rule: 'verb-first',
    plant: (f, pick) => {
      const steps = nodesInOrder(f).filter(
        (m) =>
          m.role === 'step' &&
          /^(?:check|read|tell|open|close|ask|write|put|take|give|send|bring) (?:the|a|it) /i.test(m.text),
      )
      const n = steps.length > 3 ? pick(nodesInOrder(f).filter((m) => m.role === 'step')) : undefined
      return n ? planted(n.id, rename(n.id, 'Departure of the ferry')) : null
    },
  },
  {
    rule: 'never-joined',
    plant: (f, pick) => {
      const last = isOf(f, 'process')
        ? pick(nodesInOrder(f).filter((m) => m.role === 'step' && out(f, m.id).length === 0))
        : undefined
      return last
        ? planted(
            last.id,
            node('pa', 'step', 'Pump the bilges'),
            node('pb', 'step', 'Hoist the flag'),
            link(f, last.id, 'pa', { id: 'p1', role: 'beside' }),
            link(f, last.id, 'pb', { id: 'p2', role: 'beside' }),
          )
        : null
    },
  },
  {
    rule: 'branch-without-question',
    plant: (f, pick) => {
      const n = isOf(f, 'process')
        ? pick(
            nodesInOrder(f).filter(
              (m) => m.role === 'step' && out(f, m.id).length === 1 && out(f, m.id)[0]?.role === 'next',
            ),
          )
        : undefined
      return n ? planted(n.id, node('pa', 'step', 'Hoist the flag'), link(f, n.id, 'pa', { role: 'next' })) : null
    },
  },
  {
    rule: 'end-goes-on',
    plant: (f, pick) => {
      const n = isOf(f, 'process')
        ? pick(nodesInOrder(f).filter((m) => m.role === 'step' && out(f, m.id).length === 1))
        : undefined
      return n ? planted(n.id, { do: 'setNode', id: n.id, set: { role: 'end' } }) : null
    },
  },
  {
    rule: 'linked-twice',
    plant: (f, pick) => {
      const l = pick(linksInOrder(f))
      return l ? planted('planted', link(f, l.from, l.to, l.text ? { text: l.text } : {})) : null
    },
  },
  {
    rule: 'to-itself',
    plant: (f, pick) => {
      const n = linksInOrder(f).length > 0 ? pick(nodesInOrder(f)) : undefined
      return n ? planted('planted', link(f, n.id, n.id)) : null
    },
  },
]

const shapes: readonly Planter[] = [
  {
    rule: 'circle',
    plant: (f, pick) => {
      const l = isOf(f, 'hierarchy') ? pick(linksInOrder(f)) : undefined
      return l ? planted(l.from, link(f, l.to, l.from)) : null
    },
  },
  {
    rule: 'two-parents',
    plant: (f, pick) => {
      const l = isOf(f, 'hierarchy') ? pick(linksInOrder(f)) : undefined
      const other =
        l && pick(nodesInOrder(f).filter((n) => n.id !== l.from && n.id !== l.to && out(f, l.to).length === 0))
      return l && other ? planted(l.to, link(f, other.id, l.to)) : null
    },
  },
  {
    rule: 'several-roots',
    plant: (f) =>
      isOf(f, 'hierarchy') && nodesInOrder(f).length > 2 ? planted('pa', node('pa', 'item', 'Lightships')) : null,
  },
  {
    rule: 'only-child',
    plant: (f, pick) => {
      const n = isOf(f, 'hierarchy') ? pick(nodesInOrder(f).filter((m) => out(f, m.id).length === 0)) : undefined
      return n ? planted(n.id, node('pa', 'item', 'Bilge pumps'), link(f, n.id, 'pa')) : null
    },
  },
  {
    rule: 'unlinked',
    plant: (f) =>
      isOf(f, 'concept') && linksInOrder(f).length > 0 ? planted('pa', node('pa', 'concept', 'Lightships')) : null,
  },
  {
    rule: 'link-without-words',
    plant: (f, pick) => {
      const said = linksInOrder(f).filter((l) => l.text)
      const l = isOf(f, 'concept') && said.length > 1 ? pick(said) : undefined
      return l ? planted(l.id, { do: 'setLink', id: l.id, set: { text: null } }) : null
    },
  },
  {
    rule: 'contradiction',
    plant: (f, pick) => {
      const l = isOf(f, 'concept') ? pick(linksInOrder(f).filter((m) => m.text)) : undefined
      return l ? planted('planted', link(f, l.from, l.to, { text: `does not ${l.text}` })) : null
    },
  },
  {
    rule: 'in-no-set',
    plant: (f, pick) => {
      const m = pick(nodesInOrder(f).filter((n) => n.role === 'member'))
      return m ? planted(m.id, { do: 'setNode', id: m.id, set: { memberOf: [] } }) : null
    },
  },
  {
    rule: 'empty-set',
    plant: (f) =>
      isOf(f, 'venn') && nodesInOrder(f).some((n) => n.role === 'member')
        ? planted('pa', node('pa', 'set', 'Lightships'))
        : null,
  },
]

const words: readonly Planter[] = [
  {
    rule: 'same-words',
    plant: (f, pick) => {
      const steps = nodesInOrder(f).filter((n) => ['step', 'concept', 'point'].includes(n.role))
      const [a, b] = [pick(steps), pick(steps)]
      if (!a || !b || a.id === b.id || (a.actor ?? '') !== (b.actor ?? '') || (a.detail ?? '') !== (b.detail ?? ''))
        return null
      return planted(b.id, rename(b.id, `${a.text.toLowerCase()}.`))
    },
  },
  {
    rule: 'no-words',
    plant: (f, pick) => {
      const n = pick(nodesInOrder(f))
      return n ? planted(n.id, rename(n.id, ' ')) : null
    },
  },
  {
    rule: 'capitals',
    plant: (f, pick) => {
      const peers = nodesInOrder(f).filter(
        (n) => ['step', 'item', 'point', 'concept'].includes(n.role) && /^\p{Lu}\p{Ll}/u.test(n.text),
      )
      const n = peers.length > 4 && peers.length === nodesInOrder(f).length ? pick(peers) : undefined
      return n ? planted(n.id, rename(n.id, n.text.slice(0, 1).toLowerCase() + n.text.slice(1))) : null
    },
  },
  {
    rule: 'full-stops',
    plant: (f, pick) => {
      const peers = nodesInOrder(f).filter((n) => ['step', 'item', 'point', 'concept'].includes(n.role))
      const n = peers.length > 4 && peers.every((m) => !m.text.endsWith('.')) ? pick(peers) : undefined
      return n ? planted(n.id, rename(n.id, `${n.text}.`)) : null
    },
  },
  {
    rule: 'long-label',
    plant: (f, pick) => {
      const n = pick(nodesInOrder(f))
      return n ? planted(n.id, rename(n.id, `${n.text} ${'and whatever else there may be '.repeat(5).trim()}`)) : null
    },
  },
  {
    rule: 'twice-written',
    plant: (f, pick) => {
      const n = pick(nodesInOrder(f).filter((m) => / \p{L}{2,} /u.test(m.text)))
      return n ? planted(n.id, rename(n.id, n.text.replace(/ (\p{L}{2,}) /u, ' $1 $1 '))) : null
    },
  },
]

const numbers: readonly Planter[] = [
  {
    rule: 'chances',
    plant: (f, pick) => {
      const q = pick(questions(f))
      const [a, b] = q ? out(f, q.id) : []
      const wrong = pick([0.5, 0.75, 0.2])
      return a && b
        ? planted(
            q?.id,
            { do: 'setLink', id: a.id, set: { probability: 0.3 } },
            { do: 'setLink', id: b.id, set: { probability: wrong } },
          )
        : null
    },
  },
  {
    rule: 'no-unit',
    plant: (f, pick) => {
      const n = pick(nodesInOrder(f))
      const others = nodesInOrder(f).filter((m) => m.id !== n?.id)
      if (!n || others.length === 0) return null
      const value = (id: string, unit: string): Edit => ({ do: 'setNode', id, set: { measure: { value: 7, unit } } })
      return planted(n.id, value(n.id, ''), ...others.map((m) => value(m.id, 'min')))
    },
  },
  {
    rule: 'sum',
    plant: (f, pick) => {
      const n = isOf(f, 'hierarchy') ? pick(nodesInOrder(f).filter((m) => out(f, m.id).length > 1)) : undefined
      const value = (id: string, v: number): Edit => ({
        do: 'setNode',
        id,
        set: { measure: { value: v, unit: 'boats' } },
      })
      return n ? planted(n.id, value(n.id, 5), ...out(f, n.id).map((l) => value(l.to, 4))) : null
    },
  },
]

export const planters: readonly Planter[] = [...flows, ...shapes, ...words, ...numbers]

/** The figure with a fault in it, and the part it is about; null where this figure gives no occasion for it. */
export function plantedIn(
  f: Figure,
  planter: Planter,
  next: () => number,
): { readonly figure: Figure; readonly part: string | null } | null {
  const pick: Pick = (list) => list[Math.floor(next() * list.length)]
  const found = planter.plant(f, pick)
  return found && { figure: found.edits.reduce((g, e) => apply(g, e).figure, f), part: found.part }
}
