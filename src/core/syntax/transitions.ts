/** Arc-eager transitions with reattachment and sentence breaks: what may be done in a state, and what it does.
 *  J. Nivre: Algorithms for deterministic incremental dependency parsing (2008); M. Honnibal, M. Johnson: An improved
 *  non-monotonic transition system (2015). A token without a head has -1. */

export type Kind = 'S' | 'D' | 'L' | 'R' | 'B'
export type Move = { readonly kind: Kind; readonly label: string }

export const moveOf = (name: string): Move => ({ kind: name[0] as Kind, label: name.slice(2) })

export class State {
  readonly heads: Int32Array
  readonly labels: string[]
  private readonly stack: number[] = []
  /** Tokens that were put back in front of the buffer. */
  private readonly again: number[] = []
  private next = 0
  private readonly unshiftable: Uint8Array
  private readonly starts: Uint8Array
  private readonly left: number[][]
  private readonly right: number[][]

  constructor(private readonly length: number) {
    this.heads = new Int32Array(length).fill(-1)
    this.labels = Array.from({ length }, () => 'ROOT')
    this.unshiftable = new Uint8Array(length)
    this.starts = new Uint8Array(length)
    this.left = Array.from({ length }, () => [])
    this.right = Array.from({ length }, () => [])
  }

  get final(): boolean {
    return this.stack.length === 0 && this.waiting === 0
  }
  private get waiting(): number {
    return this.length - this.next + this.again.length
  }
  private top(i: number): number {
    return this.stack[this.stack.length - 1 - i] ?? -1
  }
  private ahead(i: number): number {
    if (i < this.again.length) return this.again[this.again.length - 1 - i] as number
    const at = this.next + i - this.again.length
    return at < this.length ? at : -1
  }
  private last(children: readonly number[] | undefined): number {
    return children?.at(-1) ?? -1
  }

  /** The eight tokens that the next move is chosen by; -1 for none. */
  context(into: Int32Array): void {
    const [b0, s0] = [this.ahead(0), this.top(0)]
    into[0] = b0
    into[1] = this.ahead(1)
    into[2] = s0
    into[3] = this.top(1)
    into[4] = this.top(2)
    into[5] = this.last(this.left[b0])
    into[6] = this.last(this.left[s0])
    into[7] = this.last(this.right[s0])
  }

  may(kind: Kind): boolean {
    const [depth, waiting, b0] = [this.stack.length, this.waiting, this.ahead(0)]
    const starts = b0 >= 0 && this.starts[b0] === 1
    switch (kind) {
      case 'S':
        return depth === 0 || (waiting >= 2 && !starts && this.unshiftable[b0] === 0)
      case 'D':
        return depth > 0
      case 'L':
      case 'R':
        return depth > 0 && waiting > 0 && !starts
      case 'B': {
        const b1 = this.ahead(1)
        return waiting >= 2 && b1 === b0 + 1 && this.starts[b1] === 0
      }
    }
  }

  take({ kind, label }: Move): void {
    const [b0, s0] = [this.ahead(0), this.top(0)]
    switch (kind) {
      case 'S':
        this.push()
        break
      case 'D':
        this.stack.pop()
        if ((this.heads[s0] as number) < 0 && this.stack.length > 0) {
          this.unshiftable[s0] = 1
          this.again.push(s0)
        }
        break
      case 'L':
        this.attach(b0, s0, label)
        this.unshiftable[b0] = 0
        this.stack.pop()
        break
      case 'R':
        this.attach(s0, b0, label)
        this.push()
        break
      case 'B':
        this.starts[this.ahead(1)] = 1
        break
    }
  }

  private push(): void {
    this.stack.push(this.again.pop() ?? this.next++)
  }
  private attach(head: number, child: number, label: string): void {
    const old = this.heads[child] as number
    if (old >= 0) {
      const siblings = (old > child ? this.left[old] : this.right[old]) as number[]
      siblings.splice(siblings.lastIndexOf(child), 1)
    }
    ;((head > child ? this.left[head] : this.right[head]) as number[]).push(child)
    this.heads[child] = head
    this.labels[child] = label
  }
}

const DECORATED = '||'
/** Takes back what made the tree projective: an arc labelled `prep||dobj` goes to the first descendant of its head, breadth
 *  first, that is a dobj. J. Nivre, J. Nilsson: Pseudo-projective dependency parsing (2005). */
export function deprojectivize(heads: Int32Array, labels: string[]): void {
  labels.forEach((label, child) => {
    if (!label.includes(DECORATED)) return
    const [own, wanted] = label.split(DECORATED) as [string, string]
    labels[child] = own
    let level = [heads[child] as number]
    while (level.length > 0) {
      const below = level.flatMap((h) => [...heads.keys()].filter((i) => heads[i] === h && i !== child))
      const found = below.find((i) => labels[i] === wanted)
      if (found !== undefined) {
        heads[child] = found
        return
      }
      level = below
    }
  })
}
