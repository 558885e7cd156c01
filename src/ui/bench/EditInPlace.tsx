'use client'

import { all, apply as applied, pasteRows, outlineOf, rename, renameLink, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { nanoid } from 'nanoid'
import { middleOf } from './gestures'
import type { Part } from './selection'
import { MOST_LINES, TOO_MANY } from './useTyping'
import type { View } from './useView'
import { WordsField } from './WordsField'

const newId = (): string => nanoid(8)

/** A field over the node or the label, as large as it is; the picture grows with the words. */
export function EditInPlace({
  scene,
  figure,
  editing,
  typed,
  view,
  onEnd,
  onDraft,
  apply,
  tell,
}: {
  scene: Scene
  figure: Figure
  editing: Part
  typed: string | undefined
  view: View
  onEnd: () => void
  onDraft: (edit: Edit | null) => void
  apply: (edit: Edit) => void
  tell: (text: string) => void
}) {
  const node = scene.nodes.find((n) => n.id === editing.id)
  const link = scene.links.find((l) => l.id === editing.id)
  const middle = link && middleOf(link.points)
  const box = node?.box ?? (middle ? { x: middle.x - 60, y: middle.y - 14, width: 120, height: 28 } : null)
  if (!box) return null
  const value = (editing.kind === 'node' ? figure.nodes[editing.id]?.text : figure.links[editing.id]?.text) ?? ''
  const width = Math.max(150, box.width * view.zoom)
  const change = (words: string) =>
    editing.kind === 'node' ? rename(editing.id, words) : renameLink(editing.id, words)
  const onLines = (lines: string) => {
    const [first = '', ...rest] = lines.trim().split('\n')
    const renamed = rename(editing.id, first.trim())
    const { figure: now } = applied(figure, renamed)
    const row = outlineOf(now).find((r) => r.row === 'node' && r.id === editing.id) ?? null
    onEnd()
    if (rest.length > MOST_LINES) return tell(TOO_MANY)
    apply(all(renamed, pasteRows(now, row, rest.join('\n'), newId).edit))
  }
  return (
    <WordsField
      value={value}
      typed={typed}
      label={editing.kind === 'node' ? 'Words of the node' : 'Words of the branch'}
      className="absolute resize-none rounded border-2 border-needle bg-page px-2 py-1 text-center text-[14px] text-ink shadow-lg"
      style={{
        left: view.x + (box.x + box.width / 2) * view.zoom - width / 2,
        top: view.y + box.y * view.zoom,
        width,
        minHeight: Math.min(160, box.height * view.zoom),
      }}
      onWords={(words) => onDraft(change(words))}
      onDone={(words) => {
        onEnd()
        if (words !== null && words !== value) apply(change(words))
      }}
      {...(editing.kind === 'node' ? { onLines } : {})}
    />
  )
}
