import { Fragment, Node, Slice } from 'prosemirror-model'
import { Plugin, Selection } from 'prosemirror-state'
import type { EditorView } from 'prosemirror-view'
import { MAX_MANUSCRIPT, cleanText, nodesFromText } from '@/manuscript'
import { manuscriptSchema } from './schema'

/** Word processors paste list items as paragraphs that say their level in a style; make them lists again. */
export function cleanedHtml(html: string): string {
  const page = new DOMParser().parseFromString(html, 'text/html')
  for (const e of page.querySelectorAll('script,style,meta,link,title,o\\:p,img,svg,iframe,object')) e.remove()
  for (const e of page.querySelectorAll('*'))
    for (const a of [...e.attributes]) if (/^on/i.test(a.name)) e.removeAttribute(a.name)
  let lists: { level: number; element: HTMLElement }[] = []
  for (const p of [...page.querySelectorAll<HTMLElement>('p')]) {
    const level = Number(/mso-list:[^;"]*level(\d)/i.exec(p.getAttribute('style') ?? '')?.[1] ?? 0)
    if (level === 0) {
      lists = []
      continue
    }
    const marker = /^\s*(?:\(?(\d+|[a-z])[.)]|[·•o§\-–▪])[\s\u00a0]*/i.exec(p.textContent ?? '')
    removeLeading(p, marker?.[0].length ?? 0)
    while (lists.length > 0 && (lists.at(-1)?.level ?? 0) > level) lists.pop()
    if (lists.at(-1)?.level !== level) {
      const element = page.createElement(marker?.[1] ? 'ol' : 'ul')
      const parent = lists.at(-1)?.element.lastElementChild
      if (parent) parent.append(element)
      else p.before(element)
      lists.push({ level, element })
    }
    const item = page.createElement('li')
    lists.at(-1)?.element.append(item)
    item.append(p)
  }
  return page.body.innerHTML
}

/** Takes the first `length` characters away, whatever elements they stand in. */
function removeLeading(element: HTMLElement, length: number): void {
  const walker = element.ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT)
  let left = length
  for (let text = walker.nextNode(); text && left > 0; text = walker.nextNode()) {
    const words = text.textContent ?? ''
    text.textContent = words.slice(left)
    left -= Math.min(left, words.length)
  }
}

export function pastePlugin(onTooLong: (length: number, limit: number) => void): Plugin {
  return new Plugin({
    props: {
      transformPastedHTML: cleanedHtml,
      clipboardTextParser: (text) => {
        const clean = cleanText(text)
        const lines = clean.split('\n').filter((l) => l.trim() !== '')
        if (lines.length <= 1)
          return new Slice(Fragment.from(clean.trim() ? manuscriptSchema.text(clean.trim()) : null), 0, 0)
        return new Slice(Fragment.from(nodesFromText(clean).map((n) => Node.fromJSON(manuscriptSchema, n))), 0, 0)
      },
      handlePaste: (view, event) => {
        const text = event.clipboardData?.getData('text/plain') ?? ''
        if (text.length + view.state.doc.content.size > MAX_MANUSCRIPT) {
          onTooLong(text.length, MAX_MANUSCRIPT)
          return true
        }
        return (event.clipboardData?.getData('text/html') ?? '') === '' && pasteBlocks(view, text)
      },
    },
  })
}

/** Several blocks of plain text become blocks of their own, after the paragraph at the caret or in place of an empty one;
 *  fitted into the paragraph, a list would lose its first item to it. */
function pasteBlocks(view: EditorView, text: string): boolean {
  const { state } = view
  const { $from } = state.selection
  const clean = cleanText(text)
  if ($from.depth !== 1 || clean.split('\n').filter((l) => l.trim() !== '').length < 2) return false
  const nodes = nodesFromText(clean).map((n) => Node.fromJSON(manuscriptSchema, n))
  const tr = state.tr.deleteSelection()
  const at = tr.selection.$from
  const [from, to] = at.parent.content.size === 0 ? [at.before(1), at.after(1)] : [at.after(1), at.after(1)]
  tr.replaceWith(from, to, nodes)
  tr.setSelection(Selection.near(tr.doc.resolve(tr.mapping.map(to)), -1))
  view.dispatch(tr.scrollIntoView().setMeta('paste', true))
  return true
}
