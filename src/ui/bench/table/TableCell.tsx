'use client'

import { useLayoutEffect, useRef } from 'react'
import type { Field } from '@/core/document'
import type { Figure, FigureNode } from '@/core/figure'
import { stepOf } from './cursor'
import { useWords } from '../../words/words'
import type { Tell } from '@/core/words'

type Props = {
  readonly field: Field
  readonly figure: Figure
  readonly node: FigureNode
  readonly here: boolean
  readonly marked: boolean
  /** Whether the field means something for this node. */
  readonly means: boolean
  readonly broken: boolean
  /** What was typed onto the cell; empty to begin with its words; null when nothing is being typed. */
  readonly typed: string | null
  readonly onHere: (extend: boolean) => void
  readonly onType: () => void
  readonly onDone: (words: string | null, step: readonly [number, number] | null) => void
}

/** A value of a list by what it is called. */
const calledIn = (field: Field, value: string, t: Tell): string => {
  const name = field.called?.[value]
  return name ? t(name) : value
}

export function TableCell(props: Props) {
  const t = useWords()
  const { field, figure, node, here, marked, means, broken, typed, onHere, onType } = props
  const words = calledIn(field, field.read(figure, node), t)
  return (
    <div
      role="gridcell"
      aria-selected={marked}
      data-cell={field.id}
      className={`relative min-w-0 border-l border-rule ${here ? 'z-[1] outline-2 outline-needle' : marked ? 'bg-needle-wash' : ''} ${means ? '' : 'bg-paper'}`}
      onPointerDown={(e) => onHere(e.shiftKey)}
      onDoubleClick={onType}
    >
      {typed !== null ? (
        <CellField {...props} typed={typed} />
      ) : (
        <span
          className={`block truncate px-1.5 py-1.5 ${broken ? 'text-needle underline decoration-dotted' : ''}`}
          title={words}
        >
          {words}
        </span>
      )}
    </div>
  )
}

function CellField({ field, figure, node, typed, onDone }: Props & { typed: string }) {
  const t = useWords()
  const input = useRef<HTMLInputElement>(null)
  const ended = useRef(false)
  useLayoutEffect(() => {
    input.current?.focus()
    if (typed === '') input.current?.select()
  }, [typed])
  const choices = field.choices?.(figure) ?? []
  const end = (words: string | null, step: readonly [number, number] | null) => {
    if (ended.current) return
    ended.current = true
    onDone(choices.find((c) => calledIn(field, c, t) === words) ?? words, step)
  }
  const names = field.refers
    ? Object.values(figure.nodes).map((n) => n.text)
    : choices.map((c) => calledIn(field, c, t))
  const list = `names ${field.id}`
  return (
    <>
      <input
        ref={input}
        aria-label={`${t(field.says)}: ${node.text}`}
        defaultValue={typed || calledIn(field, field.read(figure, node), t)}
        list={names.length > 0 ? list : undefined}
        spellCheck
        className="absolute inset-0 w-full bg-page px-1.5 outline-none"
        onBlur={(e) => end(e.target.value.trim(), null)}
        onKeyDown={(e) => {
          e.stopPropagation()
          if (e.key === 'Escape') end(null, null)
          if (e.key !== 'Enter' && e.key !== 'Tab') return
          e.preventDefault()
          end(e.currentTarget.value.trim(), e.key === 'Enter' ? [e.shiftKey ? -1 : 1, 0] : stepOf('Tab', e.shiftKey))
        }}
      />
      {names.length > 0 && (
        <datalist id={list}>
          {[...new Set(names)].slice(0, 200).map((n) => (
            <option key={n} value={n} />
          ))}
        </datalist>
      )}
    </>
  )
}
