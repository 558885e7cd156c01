/** The manuscript inside the shared document: its text, and anchors that stay with their words while others type. */
import * as Y from 'yjs'
import type { Span } from '@/core/text'
import { fromLineStart, pieceAt, project, type Projection, type TextTree } from './projection'

export type YPlace = { readonly node: Y.XmlText; readonly index: number }
export type Anchor = { readonly start: unknown; readonly end: unknown }

export const projectShared = (fragment: Y.XmlFragment): Projection<YPlace> => project(treesOf(fragment))

function treesOf(parent: Y.XmlFragment | Y.XmlElement): TextTree<YPlace>[] {
  return parent.toArray().flatMap((child): TextTree<YPlace>[] => {
    if (child instanceof Y.XmlText) return textTrees(child)
    if (child instanceof Y.XmlElement)
      return [{ name: child.nodeName, attributes: child.getAttributes(), children: treesOf(child) }]
    return []
  })
}

/** Inline nodes (a hard break) count one in the index of their text. */
function textTrees(node: Y.XmlText): TextTree<YPlace>[] {
  let index = 0
  return (node.toDelta() as { insert: unknown; attributes?: Readonly<Record<string, unknown>> }[]).map(
    (op): TextTree<YPlace> => {
      const at = index
      if (typeof op.insert === 'string') {
        index += op.insert.length
        return { text: op.insert, place: { node, index: at }, strong: op.attributes?.strong !== undefined }
      }
      index += 1
      return op.insert instanceof Y.XmlElement
        ? { name: op.insert.nodeName, attributes: {}, children: [] }
        : { text: '', place: { node, index: at }, strong: false }
    },
  )
}

export function anchorOf(p: Projection<YPlace>, span: Span): Anchor | null {
  const [from, to] = [pieceAt(p, span.start, 'after'), pieceAt(p, span.end, 'before')]
  if (!from || !to) return null
  const relative = (x: { piece: { place: YPlace }; into: number }, assoc: number) =>
    Y.relativePositionToJSON(
      Y.createRelativePositionFromTypeIndex(x.piece.place.node, x.piece.place.index + x.into, assoc),
    )
  return { start: relative(from, 0), end: relative(to, -1) }
}

/** Where the anchored words stand now; null when they have all been deleted. */
export function spanOf(doc: Y.Doc, p: Projection<YPlace>, anchor: Anchor): Span | null {
  const at = (json: unknown): number | null => {
    const found = Y.createAbsolutePositionFromRelativePosition(Y.createRelativePositionFromJSON(json), doc)
    const pieces = p.pieces.filter((x) => x.place.node === found?.type)
    const piece = pieces.find(
      (x) => found && found.index >= x.place.index && found.index <= x.place.index + (x.span.end - x.span.start),
    )
    return piece && found ? piece.span.start + found.index - piece.place.index : null
  }
  const [start, end] = [at(anchor.start), at(anchor.end)]
  return start === null || end === null || end <= start ? null : fromLineStart(p, { start, end })
}

/** Puts words in place of a stretch of the manuscript; false, and nothing changed, where it does not lie in one run of text. */
export function replaceWords(p: Projection<YPlace>, span: Span, words: string): boolean {
  const [from, to] = [pieceAt(p, span.start, 'after'), pieceAt(p, span.end, 'before')]
  if (!from || !to || from.piece.place.node !== to.piece.place.node) return false
  const [start, end] = [from, to].map((x) => x.piece.place.index + x.into) as [number, number]
  const { node } = from.piece.place
  // New words are set as the old ones were.
  node.insert(start, words, node.toDelta().length > 0 ? attributesAt(node, start) : {})
  node.delete(start + words.length, end - start)
  return true
}

function attributesAt(node: Y.XmlText, index: number): Record<string, unknown> {
  let at = 0
  for (const op of node.toDelta() as { insert: unknown; attributes?: Record<string, unknown> }[]) {
    at += typeof op.insert === 'string' ? op.insert.length : 1
    if (at > index) return op.attributes ?? {}
  }
  return {}
}

export type NodeJson = {
  readonly type: string
  readonly attrs?: Record<string, unknown>
  readonly content?: readonly NodeJson[]
  readonly text?: string
  readonly marks?: readonly { type: string }[]
}

/** Editor JSON as shared elements, named as the editor's binding names them. */
export function sharedNodes(nodes: readonly NodeJson[]): (Y.XmlElement | Y.XmlText)[] {
  const out: (Y.XmlElement | Y.XmlText)[] = []
  let run: Y.XmlText | null = null
  let length = 0
  for (const n of nodes) {
    if (n.type === 'text') {
      if (!run) {
        run = new Y.XmlText()
        length = 0
        out.push(run)
      }
      run.insert(length, n.text ?? '', Object.fromEntries((n.marks ?? []).map((m) => [m.type, {}])))
      length += (n.text ?? '').length
    } else {
      run = null
      const element = new Y.XmlElement(n.type)
      for (const [k, v] of Object.entries(n.attrs ?? {})) element.setAttribute(k, v as string)
      element.insert(0, sharedNodes(n.content ?? []))
      out.push(element)
    }
  }
  return out
}
