import PostalMime from 'postal-mime'
import { blocksOfHtml } from './html'
import type { Left } from './left'
import { markdownOfBlocks } from './markdown'

/** A mail (RFC 5322, MIME): its subject as the title, who it is from, then what it says. */
export async function textOfMail(bytes: Uint8Array, left: Left): Promise<{ title: string; markdown: string } | null> {
  const mail = await PostalMime.parse(bytes, { maxNestingDepth: 60 })
  if (!mail.from && !mail.subject && !mail.text && !mail.html) return null
  if (mail.attachments.length > 0) left.add('attachments', mail.attachments.length)
  const said = mail.html ? markdownOfBlocks(blocksOfHtml(mail.html, left).blocks) : ''
  const words = said.trim() !== '' ? said : (mail.text ?? '')
  const from = mail.from
    ? [mail.from.name, mail.from.address && `<${mail.from.address}>`].filter(Boolean).join(' ')
    : ''
  const head = from ? `From: ${from.replace(/[<>]/g, '')}\n\n` : ''
  return { title: mail.subject?.trim() ?? '', markdown: `${head}${withoutQuotes(words).trim()}\n` }
}

/** Answers quote what they answer; the marks would make every line a line of its own. */
const withoutQuotes = (text: string): string =>
  text
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .filter((l) => !/^>/.test(l))
    .join('\n')
