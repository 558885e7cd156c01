/** A figure in one line, for examples: `process; a step Lower the ramp @Bosun; q question Ramp wet?; a>q; q>a no 30%`.
 *
 *  The kind first, and what is said of the whole (`title=…`, `caption=…`, `treatment=…`). A node: id, role, words; `@` who acts, `|` its value
 *  with unit, `^` its weight, `~` how long it takes, `#` the sets it belongs to, `*` its colour, `+` that of its outline,
 *  `$` a picture, `=` where somebody put it. A
 *  link: `from>to words chance`, `>>` for what runs at the same time. */
import { blankFigure, kinds, type Figure, type FigureKind, type FigureLink, type FigureNode } from '../figure'
import { valueIn } from '../document'
import { arrangementsOf } from '../layout'

export function sketch(text: string): Figure {
  const [head = '', ...rows] = text.split(';').map((r) => r.trim())
  const [kind = 'process', ...said] = head.split(/\s+(?=\w+=)/)
  const [plain] = arrangementsOf(kind as FigureKind)
  const figure = { ...blankFigure('sketch', 'A sketch'), kind: kind as FigureKind, arrangement: plain?.id ?? '' }
  const nodes: Record<string, FigureNode> = {}
  const links: Record<string, FigureLink> = {}
  for (const row of rows.filter(Boolean)) {
    const link = /^(\w+)(>>?)(\w+)\s*(.*)$/.exec(row)
    if (link) putLink(links, link, kind as FigureKind, nodes)
    else putNode(nodes, row)
  }
  const whole = Object.fromEntries(said.map((s) => s.split('=') as [string, string]))
  const { treatment, ...own } = whole
  return { ...figure, ...own, ...(treatment ? { dress: { ...figure.dress, treatment } } : {}), nodes, links }
}

function putLink(
  links: Record<string, FigureLink>,
  [, from = '', arrow, to = '', rest = '']: RegExpExecArray,
  kind: FigureKind,
  nodes: Readonly<Record<string, FigureNode>>,
): void {
  const [, words = '', percent] = /^(.*?)\s*(\d+(?:\.\d+)?%)?$/.exec(rest) ?? []
  const [plain = 'next'] = kinds[kind].linkRoles
  const role = arrow === '>>' ? 'beside' : nodes[to]?.role === 'criterion' ? 'weighs' : plain
  const id = `l${Object.keys(links).length + 1}`
  const text = [words, percent].filter(Boolean).join(', ')
  links[id] = {
    ...{ id, role, from, to, order: Object.keys(links).length + 1, source: [] },
    ...(text ? { text } : {}),
    ...(percent ? { probability: parseFloat(percent) / 100 } : {}),
  }
}

/** What a mark behind the words of a node says of it. */
const marks: Readonly<Record<string, (said: string) => Partial<FigureNode>>> = {
  '@': (actor) => ({ actor }),
  '|': (value) => ({ measure: valueIn(value) ?? undefined }),
  '^': (weight) => ({ fields: { weight } }),
  '~': (duration) => ({ duration }),
  '#': (sets) => ({ memberOf: sets.split(' ').filter(Boolean) }),
  '*': (fill) => ({ look: { fill } }),
  '+': (line) => ({ look: { line } }),
  $: (size) => {
    const [width = 0, height = 0] = size.split(' ').map(Number)
    return { picture: { hash: '0'.repeat(64), width, height } }
  },
  '=': (place) => {
    const [x = 0, y = 0] = place.split(' ').map(Number)
    return { held: { x, y, width: 120, height: 40 } }
  },
}

function putNode(nodes: Record<string, FigureNode>, row: string): void {
  const [, id = '', role = 'step', rest = ''] = /^(\w+) (\w+)(.*)$/s.exec(row) ?? []
  const [words = '', ...behind] = rest.split(/\s(?=[@|^~#*+$=])/)
  const node = {
    id,
    role: role as FigureNode['role'],
    text: words.trim(),
    order: Object.keys(nodes).length + 1,
    source: [],
  }
  nodes[id] = Object.assign(node, ...behind.map((m) => marks[m.slice(0, 1)]?.(m.slice(1).trim())))
}
