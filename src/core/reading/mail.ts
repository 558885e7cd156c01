/** The frame of a pasted mail: header lines, greeting, quoted mail, closing and signature. It says nothing that a figure
 *  shows; coverage lists it as what it is. */
import { slice, type Block } from '../text'

const HEADER = /^(?:from|to|cc|bcc|subject|date|sent|reply-to|von|an|betreff|datum|de|para|asunto|fecha):\s/i
const GREETING =
  /^(?:hi|hello|hey|dear|good morning|hallo|liebe[rs]?|guten tag|hola|querid[oa]s?|estimad[oa]s?)(?:\s+\S+){0,4}\s*[,:!]?$/i
const CLOSING =
  /^(?:thanks|thank you|many thanks|regards|kind regards|best regards|best|cheers|yours(?: \w+)?|see you|viele grüße|mit freundlichen grüßen|danke|saludos|un saludo|gracias)[ ,.!]*(?:$|\n)/i
const SIGNATURE = /(?:^|\n)-- ?$/

export type Split = { readonly body: readonly Block[]; readonly frame: readonly Block[] }

export function splitMail(text: string, blocks: readonly Block[]): Split {
  const words = (b: Block): string => slice(text, b.span)
  const signature = blocks.findIndex((b) =>
    SIGNATURE.test(text.slice(Math.max(0, b.span.start - 5), b.span.start).replace(/\n$/, '')),
  )
  const closing = blocks.findLastIndex(
    (b, i) => i >= blocks.length - 3 && CLOSING.test(words(b)) && words(b).split(/\s+/).length <= 8,
  )
  const end = Math.min(signature < 0 ? Infinity : signature, closing < 0 ? Infinity : closing)
  const isFrame = (b: Block, i: number): boolean =>
    i >= end ||
    (b.type !== 'row' &&
      (words(b)
        .split('\n')
        .every((l) => /^\s*>/.test(l)) ||
        words(b)
          .split('\n')
          .every((l) => HEADER.test(l)) ||
        (i < 6 && GREETING.test(words(b)))))
  return { body: blocks.filter((b, i) => !isFrame(b, i)), frame: blocks.filter(isFrame) }
}
