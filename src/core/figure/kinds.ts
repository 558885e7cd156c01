import type { FigureKind, LinkRole, NodeRole } from './figure'

type KindRow = {
  /** As it stands in the interface. */
  readonly name: string
  readonly nodeRoles: readonly NodeRole[]
  readonly linkRoles: readonly LinkRole[]
  /** The role that a node takes when its own means nothing in this kind. */
  readonly plainRole: NodeRole
}

/** What each kind of figure is made of. */
export const kinds = {
  process: {
    name: 'Process',
    nodeRoles: ['start', 'step', 'question', 'end'],
    linkRoles: ['next'],
    plainRole: 'step',
  },
  concept: { name: 'Concept map', nodeRoles: ['concept'], linkRoles: ['relation'], plainRole: 'concept' },
  hierarchy: { name: 'Hierarchy', nodeRoles: ['item'], linkRoles: ['child'], plainRole: 'item' },
  venn: { name: 'Venn diagram', nodeRoles: ['set', 'member'], linkRoles: [], plainRole: 'member' },
  decision: {
    name: 'Decision',
    nodeRoles: ['choice', 'chance', 'outcome', 'option', 'criterion'],
    linkRoles: ['leads', 'weighs'],
    plainRole: 'option',
  },
  points: { name: 'Points', nodeRoles: ['point'], linkRoles: [], plainRole: 'point' },
} satisfies Record<FigureKind, KindRow>
