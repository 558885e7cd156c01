/** The grammar of DOT (graphviz.org/doc/info/lang.html), as widely as its own reader takes it: several attribute lists, joined
 *  strings, HTML labels, ports, empty statements. In: text. Out: statements; throws `DotFault` where it is none. Without
 *  recursion over nesting that a file decides: groups are kept on a stack. */
export class DotFault extends Error {}

export type DotAttributes = Readonly<Record<string, string>>
export type DotEvent =
  | { readonly event: 'open'; readonly id: string | null }
  | { readonly event: 'close' }
  | { readonly event: 'attribute'; readonly name: string; readonly value: string }
  | { readonly event: 'defaults'; readonly of: 'graph' | 'node' | 'edge'; readonly attributes: DotAttributes }
  | { readonly event: 'node'; readonly id: string; readonly attributes: DotAttributes }
  /** Each end is a node, or all nodes of a group. */
  | { readonly event: 'edge'; readonly ends: readonly (readonly string[])[]; readonly attributes: DotAttributes }
export type DotGraph = { readonly directed: boolean; readonly id: string | null; readonly events: readonly DotEvent[] }

type Token = { readonly kind: 'id' | 'sign'; readonly text: string; readonly quoted: boolean }
const MAX_DEPTH = 5000

function tokens(text: string): Token[] {
  const out: Token[] = []
  const pattern =
    /\s+|\/\/[^\n]*|\/\*[\s\S]*?\*\/|^[ \t]*#[^\n]*|("(?:[^"\\]|\\[\s\S])*")|(-?(?:\.\d+|\d+(?:\.\d*)?)(?![\w\u0080-\uffff]))|([A-Za-z_\u0080-\uffff][\w\u0080-\uffff]*|\d[\w\u0080-\uffff]*)|(--|->|[{}[\]=;,:+])/my
  for (let at = 0; at < text.length;) {
    if (text[at] === '<') {
      const end = markupEnd(text, at)
      out.push({ kind: 'id', text: text.slice(at + 1, end), quoted: false })
      at = end + 1
      continue
    }
    pattern.lastIndex = at
    const found = pattern.exec(text)
    if (!found) throw new DotFault(`a sign that does not belong there: ${text.slice(at, at + 12)}`)
    const [whole, string, number, name, sign] = found
    if (string !== undefined) out.push({ kind: 'id', text: unquoted(string.slice(1, -1)), quoted: true })
    else if (number !== undefined || name !== undefined)
      out.push({ kind: 'id', text: (number ?? name) as string, quoted: false })
    else if (sign !== undefined) out.push({ kind: 'sign', text: sign, quoted: false })
    at += whole.length
  }
  return out
}

function markupEnd(text: string, from: number): number {
  let depth = 0
  for (let i = from; i < text.length; i++) {
    if (text[i] === '<') depth++
    else if (text[i] === '>' && --depth === 0) return i
  }
  throw new DotFault('a label that does not end')
}

const unquoted = (words: string): string =>
  words.replace(
    /\\([\s\S])/g,
    (_, c: string) => ({ n: '\n', l: '\n', r: '\n', '\n': '' })[c] ?? (/["\\]/.test(c) ? c : `\\${c}`),
  )

/** The first graph of a file. */
export function dotGraph(text: string): DotGraph {
  return new Parsing(tokens(text)).graph()
}

type Group = { readonly nodes: string[]; ends: string[][] | null }

class Parsing {
  private at = 0
  private readonly events: DotEvent[] = []
  constructor(private readonly list: readonly Token[]) {}

  private is(text: string): boolean {
    const t = this.list[this.at]
    return t !== undefined && !t.quoted && t.text.toLowerCase() === text
  }
  private take(text: string): boolean {
    const found = this.is(text)
    if (found) this.at++
    return found
  }
  private expect(text: string): void {
    if (!this.take(text)) throw new DotFault(`“${text}” is missing before “${this.list[this.at]?.text ?? 'the end'}”`)
  }
  /** A name; strings that are joined by signs are one. */
  private id(): string | null {
    const t = this.list[this.at]
    if (t?.kind !== 'id') return null
    this.at++
    let text = t.text
    while (t.quoted && this.list[this.at]?.text === '+' && this.list[this.at + 1]?.quoted) {
      text += (this.list[this.at + 1] as Token).text
      this.at += 2
    }
    return text
  }

  graph(): DotGraph {
    this.take('strict')
    const directed = this.is('digraph')
    if (!this.take('digraph')) this.expect('graph')
    const id = this.id()
    this.expect('{')
    const open: Group[] = [{ nodes: [], ends: null }]
    while (open.length > 0) {
      if (this.at >= this.list.length) throw new DotFault('it ends too early')
      if (open.length > MAX_DEPTH) throw new DotFault('groups inside each other without end')
      this.statement(open)
    }
    return { directed, id, events: this.events }
  }

  private statement(open: Group[]): void {
    const here = open.at(-1) as Group
    if (this.take(';') || this.take(',')) return
    if (this.take('}')) return this.close(open)
    for (const part of ['graph', 'node', 'edge'] as const)
      if (this.is(part) && this.list[this.at + 1]?.text === '[') {
        this.at++
        return void this.events.push({ event: 'defaults', of: part, attributes: this.attributes() })
      }
    if (this.is('subgraph') || this.is('{')) return this.open(open, null)
    const id = this.id()
    if (id === null) throw new DotFault(`“${this.list[this.at]?.text ?? ''}” where a name belongs`)
    if (this.take('=')) return void this.events.push({ event: 'attribute', name: id, value: this.id() ?? '' })
    this.port()
    here.nodes.push(id)
    this.edge(open, [[id]], id)
  }

  /** After one end of an edge: the others, as far as they are here. */
  private edge(open: Group[], ends: string[][], alone: string | null): void {
    const here = open.at(-1) as Group
    while (this.take('->') || this.take('--')) {
      if (this.is('subgraph') || this.is('{')) return this.open(open, ends)
      const id = this.id()
      if (id === null) throw new DotFault('an edge that leads nowhere')
      this.port()
      here.nodes.push(id)
      this.events.push({ event: 'node', id, attributes: {} })
      ends.push([id])
    }
    const attributes = this.attributes()
    if (ends.length > 1) {
      for (const e of ends[0] ?? []) this.events.push({ event: 'node', id: e, attributes: {} })
      this.events.push({ event: 'edge', ends, attributes })
    } else if (alone !== null) this.events.push({ event: 'node', id: alone, attributes })
  }

  private open(open: Group[], ends: string[][] | null): void {
    const id = this.take('subgraph') ? this.id() : null
    if (!this.take('{')) return
    this.events.push({ event: 'open', id })
    open.push({ nodes: [], ends })
  }

  private close(open: Group[]): void {
    const group = open.pop() as Group
    if (open.length === 0) return
    this.events.push({ event: 'close' })
    ;(open.at(-1) as Group).nodes.push(...group.nodes)
    this.edge(open, [...(group.ends ?? []), [...new Set(group.nodes)]], null)
  }

  private port(): void {
    while (this.take(':')) this.id()
  }

  private attributes(): DotAttributes {
    const out: Record<string, string> = {}
    while (this.take('[')) {
      while (!this.take(']')) {
        if (this.take(',') || this.take(';')) continue
        const name = this.id()
        if (name === null) throw new DotFault('an attribute without a name')
        out[name] = this.take('=') ? (this.id() ?? '') : 'true'
      }
    }
    return out
  }
}
