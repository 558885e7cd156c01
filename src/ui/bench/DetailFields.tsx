'use client'

/** What the details of a node, a link and a figure are made of. */
import type { Figure } from '@/core/figure'
import { useWords } from '../words/words'

/** The words of the manuscript that something came from. */
export function Quote({ figure, source }: { figure: Figure; source: readonly { start: number; end: number }[] }) {
  const t = useWords()
  if (source.length === 0) return <p className="text-[13px] text-quiet">{t('Added by hand.')}</p>
  return (
    <blockquote className="border-l-2 border-needle pl-2.5 font-serif text-[14px] leading-snug text-quiet">
      “{source.map((s) => figure.wasRead.text.slice(s.start, s.end)).join(' … ')}”
    </blockquote>
  )
}

/** A name and what it names. */
export const Row = ({ label, children }: { label: string; children: React.ReactNode }) => (
  <div className="grid grid-cols-[62px_minmax(0,1fr)] items-center gap-2">
    <span className="text-[13px] break-words hyphens-auto text-quiet">{label}</span>
    {children}
  </div>
)

/** A field that grows with its words and is taken over when it is left, or with Enter. */
export function Text({
  label,
  value,
  hint,
  onChange,
}: {
  label: string
  value: string
  hint?: string
  onChange: (value: string) => void
}) {
  return (
    <textarea
      aria-label={label}
      defaultValue={value}
      placeholder={hint}
      rows={1}
      className="field field-sizing-content max-h-40 resize-none"
      onBlur={(e) => e.target.value.trim() !== value && onChange(e.target.value.replace(/\s+/g, ' ').trim())}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Enter') {
          e.preventDefault()
          e.currentTarget.blur()
        }
      }}
    />
  )
}
