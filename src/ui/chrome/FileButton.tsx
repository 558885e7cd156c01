'use client'

import { useRef } from 'react'

type Props = {
  /** What one does. */
  readonly says: string
  /** What the file is, for those who do not see the button. */
  readonly label: string
  readonly accept: string
  readonly onFile: (file: File) => void
  /** Several at once: each is given by itself. */
  readonly multiple?: boolean
  readonly className?: string
  readonly disabled?: boolean
}

/** A button that opens a file. */
export function FileButton({
  says,
  label,
  accept,
  onFile,
  className = 'text-button',
  disabled = false,
  multiple = false,
}: Props) {
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
        multiple={multiple}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])]
          // The same file may be chosen again.
          e.target.value = ''
          files.forEach(onFile)
        }}
      />
    </>
  )
}
