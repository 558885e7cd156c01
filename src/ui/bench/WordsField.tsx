'use client'

import { useEffect, useRef, useState, type CSSProperties } from 'react'

type Props = {
  readonly value: string
  readonly label: string
  readonly className?: string
  readonly style?: CSSProperties
  /** Called with the words when they are confirmed, with null when they are left as they were. */
  readonly onDone: (words: string | null) => void
}

const MOST = 500

/** Words changed in place: Enter or leaving confirms, Escape leaves them as they were. */
export function WordsField({ value, label, className, style, onDone }: Props) {
  const [words, setWords] = useState(value)
  const field = useRef<HTMLTextAreaElement>(null)
  const ended = useRef(false)
  useEffect(() => {
    field.current?.focus()
    field.current?.select()
  }, [])
  const end = (result: string | null) => {
    if (ended.current) return
    ended.current = true
    onDone(result)
  }
  return (
    <textarea
      ref={field}
      aria-label={label}
      rows={Math.max(1, Math.ceil(words.length / 26))}
      maxLength={MOST}
      value={words}
      className={className}
      style={style}
      onChange={(e) => setWords(e.target.value.replace(/\n/g, ' '))}
      onBlur={() => end(words.trim())}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Enter') {
          e.preventDefault()
          end(words.trim())
        }
        if (e.key === 'Escape') end(null)
      }}
    />
  )
}
