'use client'

import { useRef } from 'react'

type Props = {
  /** What one does. */
  readonly says: string
  /** What the file is, for those who do not see the button. */
  readonly label: string
  readonly accept: string
  readonly onFile: (file: File) => void
  readonly className?: string
  readonly disabled?: boolean
}

/** A button that opens a file. */
export function FileButton({ says, label, accept, onFile, className = 'text-button', disabled = false }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <button type="button" className={className} disabled={disabled} onClick={() => input.current?.click()}>
        {says}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(e) => {
          const file = e.target.files?.[0]
          // The same file may be chosen again.
          e.target.value = ''
          if (file) onFile(file)
        }}
      />
    </>
  )
}
