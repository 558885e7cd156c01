/** XML from outside, as a tree: without document types and entities, with bounds on depth and number (so that no file can ask
 *  for more than it is worth), by `saxes`. */
import { SaxesParser } from 'saxes'

export type XmlElement = {
  /** Without its prefix. */
  readonly name: string
  readonly namespace: string
  readonly attributes: Readonly<Record<string, string>>
  readonly children: (XmlElement | string)[]
}
export type XmlFault = 'doctype' | 'deep' | 'many' | 'broken'
export class UnsoundXml extends Error {
  constructor(
    readonly fault: XmlFault,
    message: string,
  ) {
    super(message)
  }
}

const MAX_DEPTH = 2000
const MAX_ELEMENTS = 2_000_000

/** Throws `UnsoundXml`. */
export function xmlOf(text: string): XmlElement {
  if (/<!(?:DOCTYPE|ENTITY)/i.test(text)) throw new UnsoundXml('doctype', 'it declares a document type')
  const parser = new SaxesParser({ xmlns: true })
  const open: XmlElement[] = []
  let root: XmlElement | null = null
  let count = 0
  parser.on('error', (error) => {
    throw new UnsoundXml('broken', error.message)
  })
  parser.on('opentag', (tag) => {
    if (++count > MAX_ELEMENTS) throw new UnsoundXml('many', `more than ${MAX_ELEMENTS} elements`)
    if (open.length >= MAX_DEPTH) throw new UnsoundXml('deep', `more than ${MAX_DEPTH} elements inside each other`)
    const element: XmlElement = {
      name: tag.local,
      namespace: tag.uri,
      attributes: Object.fromEntries(
        Object.values(tag.attributes).map((a) => [
          a.prefix && a.prefix !== 'xmlns' ? `${a.prefix}:${a.local}` : a.local,
          a.value,
        ]),
      ),
      children: [],
    }
    open.at(-1)?.children.push(element)
    root ??= element
    open.push(element)
  })
  parser.on('closetag', () => void open.pop())
  const words = (text: string) => void open.at(-1)?.children.push(text)
  parser.on('text', words)
  parser.on('cdata', words)
  parser.write(text).close()
  if (!root) throw new UnsoundXml('broken', 'it is empty')
  return root
}

export const elements = (e: XmlElement): XmlElement[] => e.children.filter((c) => typeof c !== 'string')
export const named = (e: XmlElement, name: string): XmlElement[] => elements(e).filter((c) => c.name === name)
/** All below, in the order of the file, without recursion: files may be deep. */
export function* below(e: XmlElement): Generator<XmlElement> {
  const waiting = elements(e).toReversed()
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    yield next
    waiting.push(...elements(next).toReversed())
  }
}
export function textOf(e: XmlElement): string {
  let out = ''
  const waiting: (XmlElement | string)[] = e.children.toReversed()
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop())
    if (typeof next === 'string') out += next
    else waiting.push(...next.children.toReversed())
  return out
}
