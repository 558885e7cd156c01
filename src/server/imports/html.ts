/** HTML as blocks, by `parse5` (the parsing of the HTML standard): what is read, not what is around it. */
import { parse, type DefaultTreeAdapterTypes } from 'parse5'
import type { DocBlock, Piece } from './markdown'
import type { Left } from './left'

type Node = DefaultTreeAdapterTypes.Node
type Element = DefaultTreeAdapterTypes.Element
const isElement = (n: Node): n is Element => 'tagName' in n
const attribute = (e: Element, name: string): string | undefined => e.attrs.find((a) => a.name === name)?.value
const childrenOf = (n: Node): readonly Node[] => ('childNodes' in n ? n.childNodes : [])

/** Around a text, or not to be seen. */
const PASSED = new Set([
  'script',
  'style',
  'noscript',
  'template',
  'svg',
  'math',
  'iframe',
  'object',
  'head',
  'nav',
  'form',
  'button',
  'select',
  'dialog',
])
const INLINE = new Set(
  'a abbr b bdi bdo big br cite code data del dfn em font i img input ins kbd label mark q s samp small span strike strong sub sup time tt u var wbr picture'.split(
    ' ',
  ),
)
type Emphasis = { readonly strong: boolean; readonly em: boolean }
const PLAIN: Emphasis = { strong: false, em: false }
const STRONG = new Set(['b', 'strong'])
const EM = new Set(['i', 'em', 'cite', 'dfn', 'var'])
/** Deeper than any text is; the parser itself does not mind. */
const MAX_DEPTH = 400

export function blocksOfHtml(html: string, left: Left): { readonly title: string; readonly blocks: DocBlock[] } {
  const document = parse(html)
  const walk = new Walk(left)
  const body = find(document, 'main') ?? find(document, 'article') ?? find(document, 'body') ?? document
  // Where the main part holds little, it is not the text.
  walk.blocks(body, 0)
  if (walk.out.length === 0 && body !== document) walk.blocks(document, 0)
  walk.flush()
  const title = find(document, 'title')
  return { title: title ? textOf(title).replace(/\s+/g, ' ').trim() : '', blocks: walk.out }
}

function find(root: Node, tag: string): Element | null {
  const waiting: Node[] = [root]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (isElement(next) && next.tagName === tag) return next
    waiting.push(...[...childrenOf(next)].reverse())
  }
  return null
}
function textOf(root: Node): string {
  let out = ''
  const waiting: Node[] = [root]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (next.nodeName === '#text') out += (next as DefaultTreeAdapterTypes.TextNode).value
    waiting.push(...[...childrenOf(next)].reverse())
  }
  return out
}

class Walk {
  readonly out: DocBlock[] = []
  private pieces: Piece[] = []
  /** The lists that are open: the number of the next item, or null for bullets. */
  private readonly lists: (number | null)[] = []
  private asItem: { readonly depth: number; readonly number: number | null } | null = null

  constructor(private readonly left: Left) {}

  flush(): void {
    if (this.pieces.some((p) => p.text.trim() !== '')) {
      if (this.asItem) this.out.push({ block: 'item', ...this.asItem, pieces: this.pieces })
      else this.out.push({ block: 'paragraph', pieces: this.pieces })
      this.asItem = null
    }
    this.pieces = []
  }

  blocks(parent: Node, depth: number): void {
    if (depth > MAX_DEPTH) return this.left.add('what is nested deeper than any text')
    for (const node of childrenOf(parent)) {
      if (node.nodeName === '#text') this.words(node, PLAIN)
      else if (isElement(node)) this.element(node, depth + 1)
    }
  }

  private words(node: Node, emphasis: Emphasis): void {
    const { value } = node as DefaultTreeAdapterTypes.TextNode
    if (value.trim() !== '' || this.pieces.length > 0) this.pieces.push({ text: value, ...emphasis })
  }

  private element(e: Element, depth: number): void {
    const tag = e.tagName
    if (isHidden(e)) return
    if (PASSED.has(tag)) return this.passed(e)
    if (INLINE.has(tag)) return this.inline(e, PLAIN, depth)
    this.flush()
    const heading = /^h([1-6])$/.exec(tag)
    if (heading) this.block(e, depth, (pieces) => ({ block: 'heading', level: Number(heading[1]), pieces }))
    else if (tag === 'ul' || tag === 'ol' || tag === 'menu') this.list(e, depth)
    else if (tag === 'li') this.item(e, depth)
    else if (tag === 'table') this.table(e, depth)
    else if (tag === 'dt')
      this.block(e, depth, (pieces) => ({ block: 'paragraph', pieces: pieces.map((p) => ({ ...p, strong: true })) }))
    else {
      this.blocks(e, depth)
      this.flush()
    }
  }

  private passed(e: Element): void {
    const says: Readonly<Record<string, string>> = {
      svg: 'drawings',
      math: 'formulas',
      iframe: 'embedded pages',
      object: 'embedded objects',
      form: 'forms',
    }
    const what = says[e.tagName]
    if (what) this.left.add(what)
  }

  private inline(e: Element, around: Emphasis, depth: number): void {
    if (depth > MAX_DEPTH || isHidden(e)) return
    const style = attribute(e, 'style') ?? ''
    const own: Emphasis = {
      strong: around.strong || STRONG.has(e.tagName) || /font-weight:\s*(?:bold|[6-9]00)/i.test(style),
      em: around.em || EM.has(e.tagName) || /font-style:\s*italic/i.test(style),
    }
    if (e.tagName === 'br') return void this.pieces.push({ text: ' ' })
    if (e.tagName === 'img') return this.left.add('pictures')
    for (const node of childrenOf(e)) {
      if (node.nodeName === '#text') this.words(node, own)
      else if (isElement(node)) {
        if (INLINE.has(node.tagName)) this.inline(node, own, depth + 1)
        else this.element(node, depth + 1)
      }
    }
  }

  private block(e: Element, depth: number, make: (pieces: readonly Piece[]) => DocBlock): void {
    const inner = new Walk(this.left)
    inner.inline(e, PLAIN, depth)
    inner.flush()
    const pieces = inner.out.flatMap((b) => ('pieces' in b ? [...b.pieces, { text: ' ' }] : []))
    if (pieces.some((p) => p.text.trim() !== '')) this.out.push(make(pieces))
    for (const b of inner.out) if (b.block === 'table') this.out.push(b)
  }

  private list(e: Element, depth: number): void {
    this.lists.push(e.tagName === 'ol' ? Number(attribute(e, 'start') ?? 1) || 1 : null)
    this.blocks(e, depth)
    this.flush()
    this.lists.pop()
  }

  private item(e: Element, depth: number): void {
    const at = this.lists.length - 1
    const number = at < 0 ? null : (this.lists[at] as number | null)
    if (number !== null) this.lists[at] = number + 1
    this.asItem = { depth: Math.max(0, at), number }
    this.blocks(e, depth)
    this.flush()
    this.asItem = null
  }

  /** Tables that only lay a page out hold blocks; those are read as they come. */
  private table(e: Element, depth: number): void {
    const rows = [...descendants(e, 'tr')]
    const cells = rows.map((r) => childrenOf(r).filter((c): c is Element => isElement(c) && /^t[dh]$/.test(c.tagName)))
    const laysOut = cells.every((r) => r.length < 2) || [...descendants(e, 'table')].length > 0
    if (laysOut) {
      for (const c of cells.flat()) this.blocks(c, depth)
      return this.flush()
    }
    const read = cells.map((r) =>
      r.map((c) => {
        const inner = new Walk(this.left)
        inner.blocks(c, depth)
        inner.flush()
        return inner.out.flatMap((b): Piece[] => ('pieces' in b ? [...b.pieces, { text: ' ' }] : []))
      }),
    )
    this.out.push({ block: 'table', rows: read.filter((r) => r.length > 0) })
  }
}

function* descendants(root: Node, tag: string): Generator<Element> {
  const waiting: Node[] = [...childrenOf(root)].reverse()
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    if (isElement(next) && next.tagName === tag) yield next
    // Rows of a table inside a cell are that table's.
    if (tag === 'tr' && isElement(next) && next.tagName === 'table') continue
    waiting.push(...[...childrenOf(next)].reverse())
  }
}

const isHidden = (e: Element): boolean =>
  attribute(e, 'hidden') !== undefined ||
  attribute(e, 'aria-hidden') === 'true' ||
  /display:\s*none/i.test(attribute(e, 'style') ?? '')
