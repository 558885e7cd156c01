/** A tree of choices, options and outcomes while it is being built. */
import type { FigureLink, FigureNode, NodeId, NodeRole } from '../figure'
import type { Span } from '../text'
import type { Amount } from './amount'
import type { Built } from './built'
import type { Doubt } from './doubts'
import type { Said } from '../words'

/** A tree as it grows: nodes in order, each but the first below another. */
export class Growing {
  readonly nodes: FigureNode[] = []
  readonly links: FigureLink[] = []
  readonly doubts: Doubt[] = []
  add(
    role: NodeRole,
    text: string,
    source: readonly Span[],
    from: NodeId | null = null,
    link: { text?: string; probability?: number } = {},
    measure: Amount | null = null,
  ): NodeId {
    const id = `n${this.nodes.length + 1}`
    this.nodes.push({ id, role, text, order: this.nodes.length + 1, source, ...(measure ? { measure } : {}) })
    if (from)
      this.links.push({
        id: `l${this.links.length + 1}`,
        role: role === 'criterion' ? 'weighs' : 'leads',
        from,
        to: id,
        order: this.links.length + 1,
        source,
        ...link,
      })
    return id
  }
  built(score: number, reasons: readonly Said[]): Built {
    return { nodes: this.nodes, links: this.links, score, reasons, doubts: this.doubts }
  }
}
