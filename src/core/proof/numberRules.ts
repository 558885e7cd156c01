/** Numbers that do not add up, or cannot be compared. */
import { all, withChance, type Edit } from '../document'
import { inOneUnit, type FigureLink, type FigureNode } from '../figure'
import { said, words } from '../words'
import { mend, shortly, type FigureRule, type Found, type Looked, type Mend } from './rule'

/** What rounding to whole percents may leave over. */
const ROUNDED = 0.011
const percent = (p: number): string => `${Math.round(p * 1000) / 10} %`

function chances(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const links = c.out(n.id)
    const given = links.filter((l) => l.probability !== undefined)
    const open = links.filter((l) => l.probability === undefined)
    if (given.length === 0 || n.role === 'choice') return []
    const sum = given.reduce((s, l) => s + (l.probability ?? 0), 0)
    if (open.length === 0 && Math.abs(sum - 1) <= ROUNDED) return []
    // A way that comes for certain, beside chances that are complete.
    if (open.length > 0 && Math.abs(sum - 1) <= ROUNDED) return []
    const says =
      open.length > 0
        ? said('“{node}”: {count, plural, one {one way has} other {# ways have}} no chance; the others make {sum}.', {
            node: shortly(n.text),
            count: open.length,
            sum: percent(sum),
          })
        : said('“{node}”: its chances make {sum}, not 100 %.', { node: shortly(n.text), sum: percent(sum) })
    return [{ parts: [n.id, ...links.map((l) => l.id)], says, mends: chanceMends(c, given, open, sum) }]
  })
}

function chanceMends(c: Looked, given: readonly FigureLink[], open: readonly FigureLink[], sum: number): Mend[] {
  const set = (l: FigureLink, p: number): Edit => ({ do: 'setLink', id: l.id, set: withChance(l, p) })
  const to = (l: FigureLink) => shortly(c.figure.nodes[l.to]?.text ?? '')
  const [only, more] = open
  if (only && !more && sum < 1)
    return [
      mend(
        c.figure,
        said('“{way}” gets the {rest} that is left', { way: to(only), rest: percent(1 - sum) }),
        set(only, 1 - sum),
      ),
    ]
  const last = given.at(-1)
  if (open.length > 0 || !last || sum <= 0) return []
  const rest = 1 - (sum - (last.probability ?? 0))
  return [
    mend(c.figure, said('All in proportion'), all(...given.map((l) => set(l, (l.probability ?? 0) / sum)))),
    ...(rest >= 0 && rest <= 1
      ? [
          mend(
            c.figure,
            said('“{way}” takes the difference: {rest}', { way: to(last), rest: percent(rest) }),
            set(last, rest),
          ),
        ]
      : []),
  ]
}

function chosenByChance(c: Looked): Found[] {
  return c.nodes
    .filter((n) => n.role === 'choice')
    .flatMap((n) => {
      const by = c.out(n.id).filter((l) => l.probability !== undefined)
      if (by.length === 0) return []
      return [
        {
          parts: [n.id, ...by.map((l) => l.id)],
          says: said('“{node}” is for somebody to choose, and its ways have chances.', { node: shortly(n.text) }),
          mends: [
            mend(c.figure, said('It is left to chance'), { do: 'setNode', id: n.id, set: { role: 'chance' } }),
            mend(
              c.figure,
              said('It is chosen: without chances'),
              all(...by.map((l): Edit => ({ do: 'setLink', id: l.id, set: withChance(l, null) }))),
            ),
          ],
        },
      ]
    })
}

const measured = (c: Looked) =>
  c.nodes.filter((n): n is FigureNode & { measure: NonNullable<FigureNode['measure']> } => n.measure !== undefined)

/** By how often each stands there. */
function units(c: Looked): readonly (readonly [string, number])[] {
  const count = new Map<string, number>()
  for (const n of measured(c)) count.set(n.measure.unit, (count.get(n.measure.unit) ?? 0) + 1)
  return [...count].toSorted((a, b) => b[1] - a[1])
}

function withoutUnit(c: Looked): Found[] {
  const bare = measured(c).filter((n) => n.measure.unit === '')
  const known = units(c).filter(([u]) => u !== '')
  const [unit] = known[0] ?? []
  if (bare.length === 0 || unit === undefined) return []
  return [
    {
      parts: bare.map((n) => n.id),
      says: said('{names}: a number without a unit, where others have one.', {
        names: bare.map((n) => `“${shortly(n.text)}”`),
      }),
      mends: known.length > 1 ? [] : [mend(c.figure, said('In {unit}, as the others', { unit }), inUnit(bare, unit))],
    },
  ]
}
const inUnit = (nodes: readonly ReturnType<typeof measured>[number][], unit: string): Edit =>
  all(...nodes.map((n): Edit => ({ do: 'setNode', id: n.id, set: { measure: { ...n.measure, unit } } })))

/** Only where they are reckoned with together: worth along a decision, parts of a whole. */
function mixedUnits(c: Looked): Found[] {
  if (inOneUnit(c.figure) !== c.figure) return []
  const known = units(c).filter(([u]) => u !== '')
  if (known.length < 2) return []
  const common = known[0]?.[0] ?? ''
  const others = measured(c).filter((n) => n.measure.unit !== common && n.measure.unit !== '')
  return [
    {
      parts: others.map((n) => n.id),
      says: said('Values in {units}: they cannot be reckoned with together.', { units: known.map(([u]) => u) }),
    },
  ]
}

function openOutcomes(c: Looked): Found[] {
  const ends = c.nodes.filter((n) => c.out(n.id).length === 0 && c.into(n.id).some((l) => l.role === 'leads'))
  // A value along the way serves those below it as well.
  const valued = (n: FigureNode): boolean =>
    n.measure !== undefined || c.into(n.id).some((l) => c.figure.nodes[l.from]?.measure !== undefined)
  const bare = ends.filter((n) => !valued(n))
  if (ends.length < 2 || bare.length === 0 || bare.length * 2 >= ends.length) return []
  return [
    {
      parts: bare.map((n) => n.id),
      says: said('{names}: no value, where the other outcomes have one.', {
        names: bare.map((n) => `“${shortly(n.text)}”`),
      }),
    },
  ]
}

const childrenOf = (c: Looked, id: string) =>
  c.out(id).flatMap((l) => (l.role === 'child' ? (c.figure.nodes[l.to] ?? []) : []))

/** What is nearly the whole, and is not. */
function shares(c: Looked): Found[] {
  const groups: { readonly parts: readonly FigureNode[]; readonly of: string }[] =
    c.figure.kind === 'points'
      ? [{ parts: c.nodes, of: c.figure.title }]
      : c.nodes.map((n) => ({ parts: childrenOf(c, n.id), of: n.text }))
  return groups.flatMap(({ parts, of }) => {
    const shared = parts.filter((n) => n.measure?.unit === '%')
    if (shared.length < 2 || shared.length !== parts.length) return []
    const sum = shared.reduce((s, n) => s + (n.measure?.value ?? 0), 0)
    if (Math.abs(sum - 100) <= 100 * ROUNDED || sum < 80 || sum > 120) return []
    return [
      {
        parts: shared.map((n) => n.id),
        says: said('The parts of “{whole}” make {sum}, not 100 %.', { whole: shortly(of), sum: percent(sum / 100) }),
      },
    ]
  })
}

function sums(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const parts = childrenOf(c, n.id)
    const { measure } = n
    const all = [...parts, n].map((p) => p.measure)
    if (!measure || measure.unit === '%' || parts.length < 2 || all.some((m) => m?.unit !== measure.unit)) return []
    const sum = parts.reduce((s, p) => s + (p.measure?.value ?? 0), 0)
    if (Math.abs(sum - measure.value) <= 1e-9 * Math.max(1, Math.abs(sum))) return []
    return [
      {
        parts: [n.id, ...parts.map((p) => p.id)],
        says: said('“{whole}” has {value, number} {unit}, and its parts make {sum, number}.', {
          whole: shortly(n.text),
          value: measure.value,
          unit: measure.unit,
          sum,
        }),
        mends: [
          mend(c.figure, said('Let it be the sum of its parts'), {
            do: 'setNode',
            id: n.id,
            set: { measure: { ...measure, value: sum } },
          }),
        ],
      },
    ]
  })
}

function weights(c: Looked): Found[] {
  const criteria = c.nodes.filter((n) => n.role === 'criterion' && n.fields?.weight !== undefined)
  const given = new Map(criteria.map((n) => [c.into(n.id)[0]?.text ?? n.text, String(n.fields?.weight)]))
  const shown = [...given.values()]
  if (shown.length < 2 || !shown.every((w) => /^\d+(?:\.\d+)?\s*%$/.test(w))) return []
  const sum = shown.reduce((s, w) => s + parseFloat(w), 0)
  if (Math.abs(sum - 100) <= 100 * ROUNDED) return []
  return [
    {
      parts: criteria.map((n) => n.id),
      says: said('The weights make {sum}, not 100 %.', { sum: percent(sum / 100) }),
    },
  ]
}

const TREE = 'decision; a choice Which crossing?; b chance Night boat; d chance Day boat; a>b; a>d; '
const STAFF = 'hierarchy; a item Deck crew | 9 people; b item Bosun | 1 people; a>b; '
const FLEET = 'hierarchy; a item Passengers; b item Cars'
export const numberRules: readonly FigureRule[] = [
  {
    ...{ id: 'chances', name: words('Chances that do not add up'), severity: 'error' },
    find: chances,
    fires: `${TREE} e outcome Late | 5 h; f outcome On time | 0 h; b>e 20%; b>f 70%`,
    quiet: `${TREE} e outcome Late | 5 h; f outcome On time | 0 h; b>e 20%; b>f 80%`,
  },
  {
    ...{ id: 'chosen-by-chance', name: words('A choice with chances'), severity: 'error', kinds: ['decision'] },
    find: chosenByChance,
    fires: 'decision; a choice Which crossing?; b outcome Night boat; d outcome Day boat; a>b 40%; a>d 60%',
    quiet: 'decision; a chance Which crossing?; b outcome Night boat; d outcome Day boat; a>b 40%; a>d 60%',
  },
  {
    ...{ id: 'no-unit', name: words('A number without a unit'), severity: 'warning' },
    find: withoutUnit,
    fires: 'points; a point Cars | 40 m; b point Lorries | 60',
    quiet: 'points; a point Cars | 40 m; b point Lorries | 60 m',
  },
  {
    ...{
      id: 'mixed-units',
      name: words('Values in different units'),
      severity: 'warning',
      kinds: ['decision', 'hierarchy'],
    },
    find: mixedUnits,
    fires: `${TREE} e outcome Late | 5 h; f outcome On time | 20 £; b>e 20%; b>f 80%`,
    quiet: `${TREE} e outcome Late | 5 h; f outcome On time | 20 min; b>e 20%; b>f 80%`,
  },
  {
    ...{ id: 'no-value', name: words('An outcome without a value'), severity: 'warning', kinds: ['decision'] },
    find: openOutcomes,
    fires: `${TREE.replace('Day boat', 'Day boat | 2 h')} e outcome Late | 5 h; f outcome On time | 0 h; g outcome Cancelled; b>e 20%; b>f 70%; b>g 10%`,
    quiet: `${TREE.replace('Day boat', 'Day boat | 2 h')} e outcome Late | 5 h; f outcome On time | 0 h; g outcome Cancelled | 24 h; b>e 20%; b>f 70%; b>g 10%`,
  },
  {
    ...{
      id: 'shares',
      name: words('Shares that do not make a whole'),
      severity: 'warning',
      kinds: ['hierarchy', 'points'],
    },
    find: shares,
    fires: `${FLEET} | 60 %; d item On foot | 30 %; a>b; a>d`,
    quiet: `${FLEET} | 60 %; d item On foot | 40 %; a>b; a>d`,
  },
  {
    ...{ id: 'sum', name: words('A sum that is none'), severity: 'error', kinds: ['hierarchy'] },
    find: sums,
    fires: `${STAFF} d item Hands | 7 people; a>d`,
    quiet: `${STAFF} d item Hands | 8 people; a>d`,
  },
  {
    ...{ id: 'weights', name: words('Weights that do not add up'), severity: 'warning', kinds: ['decision'] },
    find: weights,
    fires: 'decision; a option Night boat; b criterion 3 ^ 60 %; d criterion 5 ^ 30 %; a>b Price; a>d Comfort',
    quiet: 'decision; a option Night boat; b criterion 3 ^ 60 %; d criterion 5 ^ 40 %; a>b Price; a>d Comfort',
  },
]
