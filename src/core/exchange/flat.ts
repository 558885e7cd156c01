/** A figure as flat rows of words: what tables, graphs and outlines of other programs can hold of it. Each field of a node or
 *  link is a row of a table, with how it is written and read; looks, places, notes and translations stay behind. */
import { z } from 'zod/mini'
import {
  figureKinds,
  figureSchema,
  kinds,
  linkRoles,
  measureWords,
  nodeRoles,
  type Figure,
  type FigureLink,
  type FigureNode,
} from '../figure'
import { valueIn } from '../document'

export type Flat = Readonly<Record<string, string>>
export type FlatFigure = { readonly figure: Flat; readonly nodes: readonly Flat[]; readonly links: readonly Flat[] }

type Field<T> = { readonly read: (part: T) => string | undefined; readonly write: (words: string) => Partial<T> }
const plain = <T>(name: keyof T & string): Field<T> => ({
  read: (part) => part[name] as string | undefined,
  write: (words) => ({ [name]: words }) as Partial<T>,
})
const number = <T>(name: keyof T & string): Field<T> => ({
  read: (part) => (part[name] === undefined ? undefined : String(part[name])),
  write: (words) => ({ [name]: Number(words) }) as Partial<T>,
})

const fieldsSchema = z.record(z.string(), z.union([z.string(), z.number(), z.boolean()]))

export const nodeFields: Readonly<Record<string, Field<FigureNode>>> = {
  id: plain('id'),
  role: plain('role'),
  text: plain('text'),
  detail: plain('detail'),
  order: number('order'),
  actor: plain('actor'),
  duration: plain('duration'),
  measure: {
    read: (n) => n.measure && measureWords(n.measure),
    write: (words) => {
      const measure = valueIn(words)
      return measure ? { measure } : {}
    },
  },
  sets: {
    read: (n) => n.memberOf && JSON.stringify(n.memberOf),
    write: (words) => {
      const read = z.array(z.string()).safeParse(parsed(words))
      return read.success ? { memberOf: read.data } : {}
    },
  },
  icon: plain('icon'),
  inset: plain('inset'),
  fields: {
    read: (n) => n.fields && JSON.stringify(n.fields),
    write: (words) => {
      const read = fieldsSchema.safeParse(parsed(words))
      return read.success ? { fields: read.data } : {}
    },
  },
}
export const linkFields: Readonly<Record<string, Field<FigureLink>>> = {
  id: plain('id'),
  role: plain('role'),
  from: plain('from'),
  to: plain('to'),
  text: plain('text'),
  probability: number('probability'),
  order: number('order'),
}
export const figureFieldNames = [
  'id',
  'kind',
  'title',
  'language',
  'arrangement',
  'frame',
  'altText',
  'caption',
  'sourceLine',
] as const

/** What no flat row holds of a figure: told when it is written, and in the docs. */
export const LEFT_BEHIND = 'looks, places set by hand, notes, pictures and translations'

function parsed(words: string): unknown {
  try {
    return JSON.parse(words)
  } catch {
    // Not what we wrote: the schema behind says so.
    return null
  }
}

const flat = <T>(part: T, fields: Readonly<Record<string, Field<T>>>): Flat =>
  Object.fromEntries(
    Object.entries(fields).flatMap(([name, f]) => {
      const words = f.read(part)
      return words === undefined ? [] : [[name, words]]
    }),
  )

const byOrder = <T extends { readonly id: string; readonly order: number }>(parts: Readonly<Record<string, T>>): T[] =>
  Object.values(parts).toSorted((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1))

export const flatFigure = (f: Figure): FlatFigure => ({
  figure: Object.fromEntries(figureFieldNames.flatMap((n) => (f[n] === undefined ? [] : [[n, String(f[n])]]))),
  nodes: byOrder(f.nodes).map((n) => flat(n, nodeFields)),
  links: byOrder(f.links).map((l) => flat(l, linkFields)),
})

/** A figure out of flat rows that were written here; null where they are none. Rows that are no parts of it are passed over. */
export function figureOfFlat({ figure, nodes, links }: FlatFigure): Figure | null {
  const kind = figureKinds.find((k) => k === figure['kind'])
  if (!kind) return null
  const written = <T>(row: Flat, fields: Readonly<Record<string, Field<T>>>) =>
    Object.assign(
      {},
      ...Object.entries(fields).map(([n, f]) => (row[n] === undefined ? {} : f.write(row[n]))),
    ) as Partial<T>
  const allNodes = nodes
    .map((row, i): Partial<FigureNode> => ({ order: i, text: '', ...written(row, nodeFields), source: [] }))
    .map((n) => ({ ...n, role: nodeRoles.find((r) => r === n.role) ?? kinds[kind].plainRole }))
  const known = new Set(allNodes.map((n) => n.id))
  const allLinks = links
    .map((row, i): Partial<FigureLink> => ({ order: i, id: `l${i}`, ...written(row, linkFields), source: [] }))
    .map((l) => ({ ...l, role: linkRoles.find((r) => r === l.role) ?? kinds[kind].linkRoles[0] }))
    .filter((l) => known.has(l.from) && known.has(l.to))
  const read = figureSchema.safeParse({
    ...{ id: 'figure', title: '', language: 'en', arrangement: '', frame: 'page-column', houseStyle: '', dress: {} },
    ...figure,
    nodes: Object.fromEntries(allNodes.map((n) => [n.id, n])),
    links: Object.fromEntries(allLinks.map((l) => [l.id, l])),
    ...{ passage: null, wasRead: { text: '', nodes: {}, links: {} } },
  })
  return read.success ? read.data : null
}
