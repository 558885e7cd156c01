/** Worked patterns as the page shows them, and which of them are looked for. */
import type { Figure, FigureKind } from '@/core/figure'

export type Pattern = {
  readonly id: string
  readonly name: string
  readonly task: string
  readonly hint: string
  readonly kind: FigureKind | null
  readonly words: string
  readonly figures: readonly Figure[]
  readonly of: 'shipped' | 'mine' | 'team'
}
export type Wish = { readonly words: string; readonly task: string; readonly kind: string }

/** Those that fit a wish: every word somewhere in them, the task, the kind; '' is any. */
export const fitting = (patterns: readonly Pattern[], { words, task, kind }: Wish): readonly Pattern[] => {
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean)
  return patterns.filter((p) => {
    const all = `${p.name} ${p.hint} ${p.words}`.toLowerCase()
    return (task === '' || p.task === task) && (kind === '' || p.kind === kind) && asked.every((w) => all.includes(w))
  })
}
