'use client'

import type { InputHTMLAttributes } from 'react'

type Props = Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'defaultValue' | 'onBlur' | 'onKeyDown'> & {
  /** What stands there now. */
  readonly value: string
  /** What was typed, when the field is left or Enter pressed; not where it is the same. */
  readonly onTake: (words: string) => void
}

/** A field whose words count when it is left: nothing changes while somebody is still typing. Its keys are not those of the stage. */
export const TypedField = ({ value, onTake, className = '', ...others }: Props) => (
  <input
    {...others}
    key={value}
    className={`field h-7! px-1.5! text-[13px]! ${className}`}
    defaultValue={value}
    onBlur={(e) => e.target.value !== value && onTake(e.target.value)}
    onKeyDown={(e) => {
      e.stopPropagation()
      if (e.key === 'Enter') e.currentTarget.blur()
    }}
  />
)
