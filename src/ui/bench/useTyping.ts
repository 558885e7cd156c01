'use client'

/** Typing in the outline: what a row's field, left by Enter, Tab or Backspace, does to the figure, and where typing goes on. */
import { useState } from 'react'
import {
  addStatement,
  all,
  apply as applied,
  indent,
  joinRow,
  linesIn,
  nextRow,
  outdent,
  pasteRows,
  rename,
  renameLink,
  type Edit,
  type OutlineRow,
} from '@/core/document'
import type { Figure } from '@/core/figure'
import { keyOf, rowPart, wordsOf } from './outlineRows'
import { nodeParts } from './selection'
import { newId } from './newId'
import type { Left } from './WordsField'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said } from '@/core/words'

/** So many lines are pasted at once; more are rows of a table. */
export const MOST_LINES = 300
export const TOO_MANY = said(
  'More than {most} lines at once. Paste fewer, or paste them into the table. Nothing was changed.',
  { most: MOST_LINES },
)

/** A row that is being typed and not in the figure yet: behind which row, moved in or out by so many levels. */
export type Pending = { readonly after: string | null; readonly level: number }

export function useTyping(work: Work, rows: readonly OutlineRow[], focusRow: (i: number) => void) {
  const t = useWords()
  const { figure, select, edit, apply } = work
  const [pending, setPending] = useState<Pending | null>(null)
  const editRow = (r: OutlineRow | null | undefined) => {
    const part = r && rowPart(r)
    if (part) edit({ part, where: 'outline' })
  }

  /** What was typed into a row, and where to go on typing. */
  const left = (r: OutlineRow, i: number, words: string | null, how: Left) => {
    edit(null)
    const changed = words !== null && words !== wordsOf(r) ? retyped(figure, r, words) : null
    if (how === 'back') {
      const joined = joinRow(figure, rows, i)
      if (joined) apply(joined.edit)
      return editRow(joined?.before)
    }
    if (how === 'enter' && r.row === 'node') setPending({ after: keyOf(r), level: 0 })
    else if (how !== 'elsewhere') focusRow(i)
    if (how !== 'indent' && how !== 'outdent') return changed ? apply(changed) : undefined
    const now = changed ? applied(figure, changed).figure : figure
    const moved = r.row === 'node' ? levelled(now, r.id, how === 'indent' ? 1 : -1) : null
    if (changed ?? moved) apply(all(changed, moved))
    if (r.row === 'node' && !moved) work.tell(t('It cannot move further that way.'))
    editRow(r)
  }
  const typed = (r: OutlineRow | null, words: string | null, how: Left) => {
    const level = pending?.level ?? 0
    setPending(null)
    if (how === 'indent' || how === 'outdent') {
      const next = level + (how === 'indent' ? 1 : -1)
      if (!words) return setPending({ after: pending?.after ?? null, level: next })
      return begun(r, words, next, true)
    }
    if (how === 'back' && level > 0) return setPending({ after: pending?.after ?? null, level: level - 1 })
    if (how === 'back') return editRow(r)
    if (words) begun(r, words, level, how === 'enter')
    else if (r && how !== 'elsewhere') focusRow(rows.indexOf(r))
  }
  /** The pending row comes into the figure, at its level; Enter opens the next. */
  const begun = (r: OutlineRow | null, words: string, level: number, goOn: boolean) => {
    const id = newId()
    const made = newRow(figure, r, words, level, id)
    apply(made)
    const isThere = applied(figure, made).figure.nodes[id] !== undefined
    select(isThere ? nodeParts([id]) : [])
    if (goOn) setPending({ after: isThere ? `node ${id}` : (pending?.after ?? null), level: 0 })
  }
  const onLines = (r: OutlineRow | null, lines: string) => {
    edit(null)
    setPending(null)
    if (linesIn(lines).length > MOST_LINES) return work.tell(TOO_MANY)
    const pasted = pasteRows(figure, r, lines, newId)
    apply(pasted.edit)
    select(nodeParts(pasted.made))
  }
  return { pending, setPending, editRow, left, typed, onLines }
}

/** A new row behind another, moved in or out by so many levels; in a concept map it may be a statement. */
function newRow(f: Figure, r: OutlineRow | null, words: string, level: number, node: string): Edit {
  const statement = f.kind === 'concept' ? addStatement(f, words, null, newId) : null
  const edits: Edit[] = [statement ?? nextRow(f, r, { node, link: newId() }, words)]
  for (let n = 0; n < Math.abs(level); n++) {
    const moved = levelled(applied(f, all(...edits)).figure, node, Math.sign(level))
    if (moved) edits.push(moved)
  }
  return all(...edits)
}

/** What typing these words into a row changes. */
function retyped(f: Figure, r: OutlineRow, words: string): Edit | null {
  if (r.row === 'node') return rename(r.id, words)
  if (r.row === 'detail') return { do: 'setNode', id: r.id, set: { detail: words || null } }
  if (r.row !== 'statement') return r.row === 'branch' ? renameLink(r.id, words) : null
  const made = addStatement(f, words, r.link.from, newId)
  return made ? all({ do: 'dropLink', id: r.id }, made) : renameLink(r.id, words)
}

const levelled = (f: Figure, id: string, by: number): Edit | null =>
  by > 0 ? indent(f, id, newId()) : outdent(f, id, { node: newId(), link: newId() })
