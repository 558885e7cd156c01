'use client'

import { useLayoutEffect, useRef, useState, type CSSProperties } from 'react'
import { useOffered } from './useOffered'
import { useWords } from '../words/words'

/** How a field was left: Enter, Tab or Shift+Tab, Backspace while nothing was in it, Escape, or by going elsewhere. */
export type Left = 'enter' | 'indent' | 'outdent' | 'back' | 'escape' | 'elsewhere'

type Props = {
  readonly value: string
  readonly label: string
  readonly className?: string
  readonly style?: CSSProperties
  /** A key that was typed onto what is selected stands in place of the words. */
  readonly typed?: string | undefined
  readonly onWords?: (words: string) => void
  /** Called once: with the words, or null when they stay as they were, and how the field was left. */
  readonly onDone: (words: string | null, left: Left) => void
  /** Lines that were pasted, when there are several. */
  readonly onLines?: (lines: string) => void
  /** The words as they might go on. */
  readonly completions?: (words: string) => readonly string[]
  /** Whether Tab and an emptying Backspace mean something here. */
  readonly rows?: boolean
}

const MOST = 500

/** Words changed in place: Enter or leaving confirms, Shift+Enter begins a new line, Escape leaves them as they were. */
export function WordsField(props: Props) {
  const t = useWords()
  const { value, label, className, style, typed, onWords, onDone, onLines, rows = false } = props
  const [words, setWords] = useState(typed ?? value)
  const offered = useOffered(words, props.completions, setWords)
  const field = useRef<HTMLTextAreaElement>(null)
  const ended = useRef(false)
  // Before anything is painted: the next key is the field's.
  useLayoutEffect(() => {
    field.current?.focus()
    if (typed === undefined) field.current?.select()
    else field.current?.setSelectionRange(typed.length, typed.length)
  }, [typed])
  const end = (result: string | null, left: Left) => {
    if (ended.current) return
    ended.current = true
    onDone(result, left)
  }
  const input = (
    <textarea
      {...offered.aria}
      ref={field}
      aria-label={label}
      rows={Math.max(words.split('\n').length, Math.ceil(words.length / 26), 1)}
      maxLength={MOST}
      spellCheck
      value={words}
      className={className}
      style={style}
      onChange={(e) => {
        setWords(e.target.value)
        onWords?.(e.target.value.trim())
      }}
      onPaste={(e) => {
        const text = e.clipboardData.getData('text/plain')
        if (!onLines || text.trim().split('\n').length < 2) return
        e.preventDefault()
        ended.current = true
        onLines(text)
      }}
      onBlur={() => end(words.trim(), 'elsewhere')}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.nativeEvent.isComposing) return
        const key = e.shiftKey && e.key !== 'Escape' ? t('Shift+{key}', { key: e.key }) : e.key
        if (offered.pressed(key) || keysOf(words, end, rows)[key]?.()) e.preventDefault()
      }}
    />
  )
  return props.completions ? (
    <div className="relative grid">
      {input}
      {offered.list}
    </div>
  ) : (
    input
  )
}

/** What a key does in the field; true where it did something. */
const keysOf = (
  words: string,
  end: (result: string | null, left: Left) => void,
  rows: boolean,
): Partial<Record<string, () => boolean>> => ({
  Enter: () => (end(words.trim(), 'enter'), true),
  Escape: () => (end(null, 'escape'), true),
  ...(rows && {
    Tab: () => (end(words.trim(), 'indent'), true),
    'Shift+Tab': () => (end(words.trim(), 'outdent'), true),
    Backspace: () => words === '' && (end('', 'back'), true),
  }),
})
