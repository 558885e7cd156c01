/** What keys do in the table, rows of what they are and what they mean. */
import type { KeyboardEvent } from 'react'
import { moveCursor, stepOf } from './cursor'
import type { NodeTableState } from './useNodeTable'

type Key = { readonly key: string; readonly mod?: true; readonly run: (t: NodeTableState) => void }

const keys: readonly Key[] = [
  { key: 'd', mod: true, run: (t) => t.fill() },
  {
    key: 'a',
    mod: true,
    run: (t) => t.go({ at: { row: 0, column: 0 }, to: { row: t.size.rows - 1, column: t.size.columns - 1 } }),
  },
  { key: 'Enter', run: (t) => t.setTyping('') },
  { key: 'F2', run: (t) => t.setTyping('') },
  { key: 'Delete', run: (t) => t.clear() },
  { key: 'Backspace', run: (t) => t.clear() },
]

/** Whether the key meant something. */
export function pressedInTable(t: NodeTableState, e: KeyboardEvent): boolean {
  const mod = e.ctrlKey || e.metaKey
  if (t.typing !== null || e.altKey || (e.target as Element).closest('input,select,button')) return false
  const step = mod ? null : stepOf(e.key, e.shiftKey)
  if (step) {
    const column = t.cursor.at.column + step[1]
    // Tab leaves the table at its ends.
    if (e.key === 'Tab' && (column < 0 || column >= t.size.columns)) return false
    t.go(moveCursor(t.cursor, step, e.shiftKey && e.key !== 'Tab', t.size))
    return true
  }
  const known = keys.find((k) => k.key === e.key && (k.mod ?? false) === mod)
  if (known) known.run(t)
  else if (e.key.length === 1 && !mod) t.setTyping(e.key)
  else return false
  return true
}
