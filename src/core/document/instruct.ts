/** Typed instructions: a small grammar over the figure, row by row. Each understanding says what it would do before it does
 *  it; where a name fits several nodes there is one understanding for each, the likeliest first. */
import {
  connectorFormNames,
  connectorForms,
  kinds,
  linksInOrder,
  nodesInOrder,
  placesOf,
  type Figure,
  type FigureKind,
  type FigureNode,
  type LinkId,
  type NodeId,
} from '../figure'
import { all, type Edit } from './edit'
import { switchKind } from './asKind'
import { tidy } from './places'
import { withChance } from './quantities'
import { changePlaces, connect, insertAfter, insertBelow, insertOn, moveAfter, rename } from './shape'
import { remove } from './remove'
import { capital, lowerFirst } from '../text'
import { said, type Said, type Words } from '../words'

export type Understanding = { readonly says: Said; readonly edit: Edit }
/** What the figure can be drawn as, so that "across" is a word the grammar knows. */
export type Drawable = { readonly arrangements: readonly { readonly id: string; readonly name: Words }[] }
/** A new id at each call. */
export type NewId = () => string

type Row = {
  readonly pattern: RegExp
  readonly example: string
  readonly does: (f: Figure, words: readonly string[], newId: NewId, drawable: Drawable) => Understanding[]
}

const NAME = `(?:the |step |item |question )?(?:["“']([^"”']+)["”']|(.+?))`
const pattern = (source: string): RegExp =>
  new RegExp(`^(?:please )?${source.replaceAll('NAME', NAME)}\\s*[.!]?$`, 'iu')
const named = (s: string): string => capital(s.trim())

/** Nodes by their words: the very words, then those that hold them, then those that share half of theirs. */
export function nodesNamed(f: Figure, words: string): FigureNode[] {
  const wanted = plain(words)
  const nodes = nodesInOrder(f)
  const exact = nodes.filter((n) => plain(n.text) === wanted)
  if (exact.length > 0) return exact
  const holding = nodes.filter(
    (n) => plain(n.text).includes(wanted) || (wanted.includes(plain(n.text)) && n.text.length > 3),
  )
  if (holding.length > 0) return holding
  const tokens = new Set(wanted.split(' '))
  return nodes
    .map((n) => ({
      n,
      shared: plain(n.text)
        .split(' ')
        .filter((t) => tokens.has(t)).length,
    }))
    .filter(({ n, shared }) => shared * 2 >= Math.min(tokens.size, plain(n.text).split(' ').length))
    .toSorted((a, b) => b.shared - a.shared || a.n.order - b.n.order)
    .map(({ n }) => n)
}
const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N} ]+/gu, ' ')
    .replace(/\b(?:the|a|an)\b/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** One understanding for every node that the words can mean. */
const each = (f: Figure, words: string, make: (n: FigureNode) => Understanding | null): Understanding[] =>
  nodesNamed(f, words)
    .slice(0, 4)
    .flatMap((n) => make(n) ?? [])
const pairs = (
  f: Figure,
  a: string,
  b: string,
  make: (a: FigureNode, b: FigureNode) => Understanding,
): Understanding[] =>
  nodesNamed(f, a)
    .slice(0, 2)
    .flatMap((x) =>
      nodesNamed(f, b)
        .slice(0, 2)
        .flatMap((y) => (x.id === y.id ? [] : [make(x, y)])),
    )

const inserted = (f: Figure, text: string, place: string, by: string, newId: NewId): Understanding[] =>
  each(f, by, (n) => {
    const ids = { node: newId(), link: newId() }
    const noun = said(kinds[f.kind].noun)
    const label = named(text)
    if (/under|below|to/i.test(place))
      return {
        says: said('Put the {noun} “{label}” below “{node}”', { label, node: n.text, noun }),
        edit: insertBelow(f, n.id, ids, label),
      }
    if (/before/i.test(place))
      return {
        says: said('Insert the {noun} “{label}” before “{node}”', { label, node: n.text, noun }),
        edit: insertBefore(f, n, ids, label),
      }
    return {
      says: said('Insert the {noun} “{label}” after “{node}”', { label, node: n.text, noun }),
      edit: insertAfter(f, n.id, ids, label),
    }
  })

/** On the way into a node; in front of the first one, with a link to it. */
function insertBefore(f: Figure, n: FigureNode, ids: { node: NodeId; link: LinkId }, text: string): Edit {
  const entering = linksInOrder(f).filter((l) => l.to === n.id)
  const [first, ...others] = entering
  if (f.kind === 'process' && first)
    return all(
      insertOn(f, first.id, ids, text),
      ...others.map((l): Edit => ({ do: 'setLink', id: l.id, set: { to: ids.node } })),
    )
  const node = { id: ids.node, role: kinds[f.kind].plainRole, text, order: n.order - 0.5, source: [] }
  if (f.kind !== 'process')
    return all(insertAfter(f, n.id, ids, text), { do: 'setNode', id: ids.node, set: { order: n.order - 0.5 } })
  return all(
    { do: 'putNode', node },
    { do: 'putLink', link: { id: ids.link, role: 'next', from: ids.node, to: n.id, order: 1, source: [] } },
  )
}

const KIND_WORDS: readonly (readonly [RegExp, FigureKind])[] = [
  [/process|flowchart|steps/i, 'process'],
  [/concept/i, 'concept'],
  [/hierarchy|organi[sz]ation|tree of/i, 'hierarchy'],
  [/decision/i, 'decision'],
  [/venn|circles|sets/i, 'venn'],
  [/points|list/i, 'points'],
]

/** What was said between marks, whichever of the two ways. */
const pick = (m: RegExpExecArray): string[] => {
  const out: string[] = []
  for (let i = 1; i < m.length; i++) if (m[i] !== undefined) out.push(m[i] as string)
  return out
}

const rows: readonly Row[] = [
  {
    pattern: pattern('add (?:two|three|four|five|\\d+) (?:kinds|types|sorts|parts|forms) of NAME\\s*: (.+)'),
    example: 'add two kinds of rope: mooring rope and lashing',
    does: (f, [parent = '', list = ''], newId) => {
      const items = list
        .split(/\s*,\s*(?:and |or )?|\s+(?:and|or)\s+/)
        .filter(Boolean)
        .map(named)
      return each(f, parent, (n) => ({
        says: said('Put {items} below “{node}”', { items: items.map((i) => `“${i}”`), node: n.text }),
        edit: all(...items.map((text) => insertBelow(f, n.id, { node: newId(), link: newId() }, text))),
      }))
    },
  },
  {
    pattern: pattern('(?:add|insert|put) NAME (after|before|under|below) NAME'),
    example: 'insert “Sound the horn” after “Check the moorings”',
    does: (f, [text = '', place = '', by = ''], newId) => inserted(f, text, place, by, newId),
  },
  {
    pattern: pattern('(after|before|under|below) NAME,? (?:add|insert|put) NAME'),
    example: 'after “Check the moorings” add “Sound the horn”',
    does: (f, [place = '', by = '', text = ''], newId) => inserted(f, text, place, by, newId),
  },
  {
    pattern: pattern('(?:rename|change|call) NAME (?:to|into|as) NAME'),
    example: 'rename “Close the door” to “Close the bow door”',
    does: (f, [from = '', to = '']) =>
      each(f, from, (n) => ({
        says: said('Rename “{node}” to “{name}”', { node: n.text, name: named(to) }),
        edit: rename(n.id, named(to)),
      })),
  },
  {
    pattern: pattern('(?:remove|delete|drop|take out) NAME'),
    example: 'remove “Wave to the crew”',
    does: (f, [name = '']) =>
      each(f, name, (n) => ({ says: said('Remove “{node}”', { node: n.text }), edit: remove(f, n.id) })),
  },
  {
    pattern: pattern('move NAME (?:to )?(after|behind|under|below) NAME'),
    example: 'move “Load cars” after “Load lorries”',
    does: (f, [what = '', place = '', by = ''], newId) =>
      pairs(f, what, by, (a, b) => {
        if (!/under|below/i.test(place))
          return {
            says: said('Move “{a}” after “{b}”', { a: a.text, b: b.text }),
            edit: moveAfter(f, a.id, b.id, newId()),
          }
        const above = Object.values(f.links).filter((l) => l.to === a.id)
        const role = kinds[f.kind].linkRoles[0] ?? 'child'
        return {
          says: said('Move “{a}” below “{b}”', { a: a.text, b: b.text }),
          edit: all(...above.map((l): Edit => ({ do: 'dropLink', id: l.id })), {
            do: 'putLink',
            link: { id: newId(), role, from: b.id, to: a.id, order: 99, source: [] },
          }),
        }
      }),
  },
  {
    pattern: pattern('swap NAME (?:and|with) NAME'),
    example: 'swap “Load cars” and “Load lorries”',
    does: (f, [a = '', b = '']) =>
      pairs(f, a, b, (x, y) => ({
        says: said('Let “{a}” and “{b}” change places', { a: x.text, b: y.text }),
        edit: changePlaces(f, x.id, y.id),
      })),
  },
  {
    pattern: pattern('split NAME into NAME and NAME'),
    example: 'split “Lower and lock the ramp” into “Lower the ramp” and “Lock the ramp”',
    does: (f, [what = '', a = '', b = ''], newId) =>
      each(f, what, (n) => {
        const renamed = rename(n.id, named(a))
        return {
          says: said('Split “{node}” into “{a}” and “{b}”', { node: n.text, a: named(a), b: named(b) }),
          edit: all(renamed, insertAfter(f, n.id, { node: newId(), link: newId() }, named(b))),
        }
      }),
  },
  {
    pattern: pattern('merge NAME (?:and|with) NAME(?: (?:into|as) NAME)?'),
    example: 'merge “Lower the ramp” and “Lock the ramp”',
    does: (f, [a = '', b = '', name]) =>
      pairs(f, a, b, (x, y) => {
        const text = named(name ?? `${x.text} and ${lowerFirst(y.text)}`)
        const source = [...x.source, ...y.source]
        return {
          says: said('Make “{a}” and “{b}” one: “{name}”', { a: x.text, b: y.text, name: text }),
          edit: all({ do: 'setNode', id: x.id, set: { text, source } }, remove(f, y.id)),
        }
      }),
  },
  {
    pattern: pattern('(?:connect|link) NAME (?:to|with) NAME(?: (?:as|with the words|labelled) NAME)?'),
    example: 'connect “Wind” to “Delay” as “causes”',
    does: (f, [a = '', b = '', words], newId) =>
      kinds[f.kind].linkRoles.length === 0
        ? []
        : pairs(f, a, b, (x, y) => {
            const id = newId()
            const label: Edit | null = words ? { do: 'setLink', id, set: { text: words } } : null
            return {
              says: words
                ? said('Connect “{a}” to “{b}” as “{words}”', { a: x.text, b: y.text, words })
                : said('Connect “{a}” to “{b}”', { a: x.text, b: y.text }),
              edit: all(connect(f, x.id, y.id, id), label),
            }
          }),
  },
  {
    pattern: pattern('disconnect NAME (?:from|and) NAME'),
    example: 'disconnect “Wind” from “Delay”',
    does: (f, [a = '', b = '']) =>
      pairs(f, a, b, (x, y) => {
        const links = Object.values(f.links).filter(
          (l) => (l.from === x.id && l.to === y.id) || (l.from === y.id && l.to === x.id),
        )
        return {
          says: said('Take out what connects “{a}” and “{b}”', { a: x.text, b: y.text }),
          edit: all(...links.map((l): Edit => ({ do: 'dropLink', id: l.id }))),
        }
      }).filter((u) => u.edit.do === 'all' && u.edit.edits.length > 0),
  },
  {
    pattern: pattern(
      '(?:set )?(?:the )?(?:probability|chance|likelihood) of NAME (?:to|is|=) (\\d+(?:\\.\\d+)?) ?(%|percent)?',
    ),
    example: 'set the chance of “Fog lifts” to 70%',
    does: (f, [name = '', number = '', unit]) => {
      const p = unit || Number(number) > 1 ? Number(number) / 100 : Number(number)
      if (!(p >= 0 && p <= 1)) return []
      return each(f, name, (n) => {
        const link = Object.values(f.links).find((l) => l.to === n.id)
        const text = `${Math.round(p * 1000) / 10}%`
        return link
          ? {
              says: said('Set the chance of “{node}” to {chance}', { node: n.text, chance: text }),
              edit: { do: 'setLink', id: link.id, set: withChance(link, p) },
            }
          : null
      })
    },
  },
  {
    pattern: pattern('(?:set )?(?:the )?(?:actor|who|role) (?:of|for|does) NAME (?:to|is|=) NAME'),
    example: 'set the actor of “Lower the ramp” to the bosun',
    does: (f, [name = '', who = '']) =>
      each(f, name, (n) => ({
        says: said('“{node}” is done by “{who}”', { node: n.text, who: named(who) }),
        edit: { do: 'setNode', id: n.id, set: { actor: named(who) } },
      })),
  },
  {
    pattern: pattern('tidy(?: (?:it|this|up))*'),
    example: 'tidy',
    does: (f) => (placesOf(f) ? [{ says: said('Lay the figure out afresh'), edit: tidy(f) }] : []),
  },
  {
    pattern: pattern('(?:make |draw )?(?:the |all )?(?:links|connectors|arrows|lines) (\\w+)'),
    example: 'make the connectors curved',
    does: (f, [wanted = '']) => {
      const form = connectorForms.find((c) => c === wanted.toLowerCase())
      const edit: Edit = { do: 'setFigure', set: { dress: { ...f.dress, connectors: form } } }
      return form ? [{ says: said('Draw the connectors: {form}', { form: said(connectorFormNames[form]) }), edit }] : []
    },
  },
  {
    pattern: pattern('(?:make (?:it|this)|turn (?:it|this) into|switch to|show (?:it|this) as) (?:an? )?(.+)'),
    example: 'show this as points',
    does: (f, [what = ''], _, drawable) => {
      const kind = KIND_WORDS.find(([p]) => p.test(what))?.[1]
      if (kind && kind !== f.kind)
        return [
          { says: said('Show the same words as: {kind}', { kind: said(kinds[kind].name) }), edit: switchKind(f, kind) },
        ]
      return arranged(what, drawable)
    },
  },
  {
    pattern: pattern('(?:draw (?:it|this) |arrange (?:it|this) )?(.+)'),
    example: 'across',
    does: (_f, [what = ''], _n, drawable) => arranged(what, drawable),
  },
]

const arranged = (what: string, drawable: Drawable): Understanding[] =>
  drawable.arrangements
    .filter((a) => plain(what) !== '' && (plain(a.name).includes(plain(what)) || a.id === plain(what)))
    .map((a) => ({
      says: said('Draw it as: {arrangement}', { arrangement: said(a.name) }),
      edit: { do: 'setFigure', set: { arrangement: a.id } },
    }))

/** What the words can mean for this figure, the likeliest first; empty when they mean nothing here. */
export function understand(f: Figure, words: string, newId: NewId, drawable: Drawable): Understanding[] {
  for (const row of rows) {
    const m = row.pattern.exec(words.trim())
    const found = m ? row.does(f, pick(m), newId, drawable) : []
    if (found.length > 0) return found
  }
  return []
}

/** One example of each kind of instruction, for the interface and the tests. */
export const instructionExamples: readonly string[] = rows.map((r) => r.example)
