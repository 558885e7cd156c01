/** A figure inside the shared document: one map per figure, node and link, one entry per field, so that two people who
 *  change different fields of one node both keep their change. */
import * as Y from 'yjs'
import { MAX_LANGUAGES, MAX_NODES, MAX_NODE_TEXT, MAX_NOTES, isFigure, type Figure } from '../figure'
import { apply, type Edit } from './edit'

type Fields = Record<string, unknown>
const PARTS = ['nodes', 'links'] as const

const isRecord = (v: unknown): v is Fields => v !== null && typeof v === 'object' && !Array.isArray(v)

/** The figure, or null when what is stored is not one (another version wrote it, or somebody tampered with it). */
export function readFigure(shared: unknown): Figure | null {
  if (!(shared instanceof Y.Map)) return null
  const { anchor: _anchor, ...stored } = shared.toJSON() as Fields
  const raw = gathered(stored)
  const { nodes = {}, links = {} } = raw
  if (!isRecord(nodes) || !isRecord(links)) return null
  // A link whose end somebody else removed at the same time is not part of the figure any more.
  const stands = (end: unknown) => typeof end === 'string' && Object.hasOwn(nodes, end)
  const kept = Object.entries(links).filter(([, l]) => !isRecord(l) || (stands(l.from) && stands(l.to)))
  const figure = { ...raw, nodes, links: Object.fromEntries(kept) }
  return isFigure(figure) ? figure : null
}

/** What two people may add to at once has an entry each in the figure's own map. */
const NOTE = 'note:'
const WORDING = 'wording:'

const startingWith = (prefix: string, entries: readonly (readonly [string, unknown])[]) =>
  entries.flatMap(([k, v]) => (k.startsWith(prefix) ? [[k.slice(prefix.length), v] as const] : []))

/** The fields with notes and wordings gathered, as a figure has them. */
function gathered(stored: Fields): Fields {
  const entries = Object.entries(stored)
  const notes = startingWith(NOTE, entries)
  const rest = Object.fromEntries(entries.filter(([k]) => !k.startsWith(NOTE) && !k.startsWith(WORDING)))
  const wordings: Record<string, Record<string, unknown>> = {}
  for (const [key, wording] of startingWith(WORDING, entries)) {
    const at = key.indexOf(':')
    const language = key.slice(0, at)
    wordings[language] = { ...wordings[language], [key.slice(at + 1)]: wording }
  }
  return {
    ...rest,
    ...(notes.length > 0 ? { notes: Object.fromEntries(notes) } : {}),
    ...(Object.keys(wordings).length > 0 ? { wordings } : {}),
  }
}
/** And each with a key of its own, as they are stored. */
function headOf({ nodes: _nodes, links: _links, notes, wordings, ...head }: Figure): Fields {
  const said = Object.entries(wordings ?? {}).flatMap(([language, own]) =>
    Object.entries(own).map(([key, wording]) => [`${WORDING}${language}:${key}`, wording] as const),
  )
  return {
    ...head,
    ...Object.fromEntries(Object.entries(notes ?? {}).map(([id, note]) => [NOTE + id, note])),
    ...Object.fromEntries(said),
  }
}

export function newSharedFigure(figure: Figure): Y.Map<unknown> {
  const mapOf = (parts: Readonly<Record<string, object>>) =>
    new Y.Map(Object.entries(parts).map(([id, fields]) => [id, new Y.Map(Object.entries(fields))]))
  const shared = new Y.Map<unknown>(Object.entries(headOf(figure)))
  for (const part of PARTS) shared.set(part, mapOf(figure[part]))
  return shared
}

/** Applies the edit to the shared figure and gives the edit that takes it back; null, and nothing changed, when there is no
 *  figure, or when what would come of it is none: too many nodes, too many words. */
export function applyShared(shared: Y.Map<unknown>, edit: Edit, origin: unknown): Edit | null {
  const before = readFigure(shared)
  if (!before) return null
  const { figure, inverse } = apply(before, edit)
  if (!holds(figure)) return null
  shared.doc?.transact(() => writeDifference(shared, before, figure), origin)
  return inverse
}

/** Whether it is no more than a figure may be; what is more would be refused by the server and by the worker. */
function holds(f: Figure): boolean {
  const isShort = (...texts: readonly (string | undefined)[]) => texts.every((t) => (t?.length ?? 0) <= MAX_NODE_TEXT)
  return (
    Object.keys(f.nodes).length <= MAX_NODES &&
    Object.keys(f.notes ?? {}).length <= MAX_NOTES &&
    isShort(...Object.values(f.notes ?? {}).map((n) => n.text)) &&
    isShort(f.title, f.altText, f.caption, f.sourceLine) &&
    Object.values(f.nodes).every((n) => isShort(n.text, n.detail, n.actor, n.duration)) &&
    Object.values(f.links).every((l) => isShort(l.text)) &&
    Object.keys(f.wordings ?? {}).length <= MAX_LANGUAGES &&
    Object.values(f.wordings ?? {}).every((own) => Object.values(own).every((w) => isShort(w.text)))
  )
}

function writeDifference(shared: Y.Map<unknown>, before: Figure, after: Figure): void {
  writeFields(shared, headOf(before), headOf(after))
  for (const part of PARTS) {
    const map = shared.get(part) as Y.Map<Y.Map<unknown>>
    for (const id of Object.keys(before[part])) if (!after[part][id]) map.delete(id)
    for (const [id, fields] of Object.entries(after[part])) {
      const old = before[part][id]
      const known = map.get(id)
      if (old === fields) continue
      if (!old || !known) map.set(id, new Y.Map(Object.entries(fields)))
      else writeFields(known, { ...old }, { ...fields })
    }
  }
}

function writeFields(map: Y.Map<unknown>, before: Fields, after: Fields): void {
  for (const key of Object.keys(before)) if (after[key] === undefined) map.delete(key)
  for (const [key, value] of Object.entries(after))
    if (value !== undefined && JSON.stringify(value) !== JSON.stringify(before[key])) map.set(key, value)
}
