/** What a person makes of the look of single parts: kept in the parts, over what house style and treatment say. */
import type { Figure, LookFields } from '../figure'
import { all, type Edit } from './edit'

/** A change of some of its fields; null gives one back to the style. */
export type LookChange = { readonly [K in keyof LookFields]?: LookFields[K] | null }

const merged = (old: LookFields, change: LookChange): LookFields | null => {
  const next = Object.fromEntries(
    Object.entries({ ...old, ...change }).filter(([, v]) => v !== null && v !== undefined),
  )
  return Object.keys(next).length > 0 ? next : null
}

/** The look of these nodes and links; null takes all back to the style. */
export function setLook(figure: Figure, ids: readonly string[], change: LookChange | null): Edit {
  return all(
    ...ids.map((id): Edit | null => {
      const [node, link] = [figure.nodes[id], figure.links[id]]
      const part = node ?? link
      if (!part) return null
      const look = change && merged(part.look ?? {}, change)
      return node ? { do: 'setNode', id, set: { look } } : { do: 'setLink', id, set: { look } }
    }),
  )
}

/** What all of these have in common: a field that is alike in all of them, and null where they differ. */
export function commonLook(figure: Figure, ids: readonly string[]): LookFields {
  const looks = ids.flatMap((id) => {
    const part = figure.nodes[id] ?? figure.links[id]
    return part ? [part.look ?? {}] : []
  })
  const [first, ...rest] = looks
  if (!first) return {}
  const alike = Object.entries(first).filter(([k, v]) => rest.every((l) => l[k as keyof LookFields] === v))
  return Object.fromEntries(alike)
}
