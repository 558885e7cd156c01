import { trimmed, type Span } from './span'

export type Block = {
  readonly type: 'heading' | 'item' | 'paragraph' | 'row'
  /** Heading level from 1; depth of an item from 0; 0 otherwise. */
  readonly depth: number
  readonly ordered: boolean
  /** The number an ordered item carries in the text. */
  readonly number: number | null
  readonly span: Span
  readonly cells: readonly Span[]
}

export function block(type: Block['type'], text: string, span: Span, more: Partial<Block> = {}): Block {
  return {
    type,
    depth: 0,
    ordered: false,
    number: null,
    cells: [],
    ...more,
    span: withoutEmphasis(text, trimmed(text, span)),
  }
}

/** `**All bold**` is its words. */
function withoutEmphasis(text: string, s: Span): Span {
  const m = /^(\*\*|__)(?=\S)([^*_]+)\1:?$/.exec(text.slice(s.start, s.end))
  return m ? trimmed(text, { start: s.start + 2, end: s.start + 2 + (m[2] as string).length }) : s
}
