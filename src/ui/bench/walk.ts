/** Walking the figure by the arrow keys: to what stands in that direction, what is linked before what is not; and the words
 *  that tell where one is. */
import { notesAbout, outlineOf } from '@/core/document'
import { linksInOrder, roleNames, type Figure } from '@/core/figure'
import { centreOf } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import { said, type Tell } from '@/core/words'

export const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What stands aside counts so many times as far; what is not linked, too. */
const ASIDE = 2
const UNLINKED = 3

/** The next node in a direction; the first of the figure where none is given; null where nothing is there. */
export function walk(figure: Figure, scene: Scene, from: string | null, by: readonly [number, number]): string | null {
  const start = scene.nodes.find((n) => n.id === from)
  if (!start) return outlineOf(figure).find((r) => r.row === 'node')?.id ?? null
  const at = centreOf(start.box)
  const linked = (id: string) =>
    scene.links.some((l) => (l.from === start.id && l.to === id) || (l.to === start.id && l.from === id))
  const far = scene.nodes.flatMap((n) => {
    const c = centreOf(n.box)
    const [dx, dy] = [c.x - at.x, c.y - at.y]
    const [along, aside] = [dx * by[0] + dy * by[1], Math.abs(dx * by[1]) + Math.abs(dy * by[0])]
    if (n.id === start.id || along <= 0 || aside > along * 3) return []
    return [{ id: n.id, far: (along + aside * ASIDE) * (linked(n.id) ? 1 : UNLINKED) }]
  })
  return far.toSorted((a, b) => a.far - b.far || (a.id < b.id ? -1 : 1))[0]?.id ?? null
}

/** A node as it is announced: what it is, its words, where it leads, what leads to it. */
export function told(figure: Figure, id: string, t: Tell): string {
  const words = (other: string) => figure.nodes[other]?.text ?? ''
  const node = figure.nodes[id]
  if (!node) return toldNote(figure, id, t)
  const links = linksInOrder(figure)
  const out = links.filter((l) => l.from === id).map((l) => `${l.text ? `${l.text}: ` : ''}${words(l.to)}`)
  const into = links.filter((l) => l.to === id).map((l) => words(l.from))
  const sets = (node.memberOf ?? []).map(words).filter(Boolean)
  return [
    t('{role}: {words}', { role: said(roleNames[node.role]), words: node.text || said('no words yet') }),
    node.detail ?? '',
    node.actor ? t('done by {actor}', { actor: node.actor }) : '',
    sets.length > 0 ? t('in {sets}', { sets }) : '',
    out.length > 0 ? t('leads to {out}', { out: out.join('; ') }) : '',
    into.length > 0 ? t('from {into}', { into: into.join('; ') }) : '',
    ...notesAbout(figure, { part: id }).map((n) => t('note: {words}', { words: n.text })),
    node.held ? t('held in place') : '',
  ]
    .filter(Boolean)
    .join(', ')
}

function toldNote(figure: Figure, id: string, t: Tell): string {
  const note = figure.notes?.[id]
  if (!note) return ''
  const words = (ids: readonly string[]) => ids.map((i) => figure.nodes[i]?.text ?? '')
  const link = note.about && 'part' in note.about ? figure.links[note.about.part] : undefined
  const about = note.about === null ? [] : 'region' in note.about ? note.about.region : [note.about.part]
  const what = link
    ? said('the link from {from} to {to}', { from: words([link.from]), to: words([link.to]) })
    : words(about).some(Boolean)
      ? said('{words}', { words: words(about) })
      : said('the whole figure')
  return t('note: {words}, about {what}', { words: note.text || said('no words yet'), what })
}
