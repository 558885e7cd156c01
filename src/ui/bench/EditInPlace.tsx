'use client'

import { all, apply as applied, pasteRows, outlineOf, rename, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useWardrobe } from '../folio/wardrobe'
import { useLanguageName } from '../words/useLanguageName'
import { newId } from './newId'
import { partWords } from './partWords'
import type { Part } from './selection'
import { shownWords } from './shownWords'
import { MOST_LINES, TOO_MANY } from './useTyping'
import type { View } from './useView'
import { WordsField } from './WordsField'
import type { Notify } from '../chrome/Notice'
import { useWords } from '../words/words'

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
  tell: Notify
}) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { language: ofFolio } = useWardrobe()
  const words = partWords[editing.kind]
  const box = words.box(scene, editing.id)
  if (!box) return null
  const { language, value, write } = shownWords(figure, editing, ofFolio)
  const width = Math.max(190, box.width * view.zoom)
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
      label={language ? t('{words}, in {language}', { words: words.says, language: nameOf(language) }) : t(words.says)}
      className="absolute field-sizing-content resize-none rounded border-2 border-needle bg-page px-2 py-1 text-center text-[14px] text-ink shadow-lg"
      style={{
        left: view.x + (box.x + box.width / 2) * view.zoom - width / 2,
        top: view.y + box.y * view.zoom,
        width,
        minHeight: Math.min(160, box.height * view.zoom),
      }}
      onWords={(typed) => typed && onDraft(write(typed))}
      onDone={(typed) => {
        onEnd()
        // What has just been made and was given no words goes again, where it is nothing without them.
        if (typed === null ? value === '' && editing.kind === 'note' : typed !== value || typed === '')
          apply(write(typed ?? ''))
      }}
      {...(editing.kind === 'node' && !language ? { onLines } : {})}
    />
  )
}
