/** What goes onto the clipboard: a picture in the forms that other programs take, or the words as an outline. */

/** A Markdown outline, as the server writes it, as nested lists for programs that take rich text. */
export function outlineHtml(markdown: string): string {
  const out: string[] = []
  const open: { readonly indent: number; readonly tag: 'ol' | 'ul' }[] = []
  const close = (indent: number) => {
    while (open.length > 0 && (open.at(-1)?.indent ?? 0) > indent) out.push(`</li></${open.pop()?.tag}>`)
  }
  for (const line of markdown.split('\n')) {
    if (line.trim() === '') continue
    const heading = /^(#{1,6}) (.*)$/.exec(line)
    const item = /^( *)(-|\d+\.) (.*)$/.exec(line)
    if (heading) out.push(`<h${heading[1]?.length}>${marked(heading[2] ?? '')}</h${heading[1]?.length}>`)
    else if (item) {
      const indent = item[1]?.length ?? 0
      const tag = item[2] === '-' ? 'ul' : 'ol'
      close(indent)
      if (open.at(-1)?.indent === indent) out.push('</li><li>')
      else {
        open.push({ indent, tag })
        out.push(`<${tag}><li>`)
      }
      out.push(marked(item[3] ?? ''))
    } else out.push(`<br>${marked(line.trim())}`)
  }
  close(-1)
  return out.join('')
}
const marked = (words: string): string =>
  words.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c)

const supports = (type: string): boolean =>
  typeof ClipboardItem !== 'undefined' && (type === 'image/png' || (ClipboardItem.supports?.(type) ?? false))

/** PNG for all, SVG for those that keep it sharp; promises keep the gesture that allows it. */
export const pictureItem = (png: Promise<Blob>, svg: () => Promise<Blob>): ClipboardItem =>
  new ClipboardItem({ 'image/png': png, ...(supports('image/svg+xml') ? { 'image/svg+xml': svg() } : {}) })

export function outlineItem(markdown: Promise<string>): ClipboardItem {
  const blob = (type: string, text: (m: string) => string) => markdown.then((m) => new Blob([text(m)], { type }))
  return new ClipboardItem({ 'text/plain': blob('text/plain', (m) => m), 'text/html': blob('text/html', outlineHtml) })
}
