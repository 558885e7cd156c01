import type { FigureKind, LinkRole, NodeRole } from './vocabulary'

type KindRow = {
  /** As it stands in the interface. */
  readonly name: string
  /** What one node of it is called. */
  readonly noun: string
  readonly nodeRoles: readonly NodeRole[]
  readonly linkRoles: readonly LinkRole[]
  /** The role that a node takes when its own means nothing in this kind. */
  readonly plainRole: NodeRole
  /** What is too much for a frame can be cut into continued figures. */
  readonly continues: boolean
}

/** What links are called where a person chooses between them. */
export const linkMeanings: Record<LinkRole, string> = {
  next: 'then',
  beside: 'at the same time',
  relation: 'relates to',
  child: 'above',
  leads: 'leads to',
  weighs: 'weighs',
}

/** What each kind of figure is made of. */
export const kinds = {
  process: {
    name: 'Process',
    noun: 'step',
    nodeRoles: ['start', 'step', 'question', 'end', 'connector'],
    linkRoles: ['next', 'beside'],
    plainRole: 'step',
    continues: true,
  },
  concept: {
    name: 'Concept map',
    noun: 'concept',
    nodeRoles: ['concept'],
    linkRoles: ['relation'],
    plainRole: 'concept',
    continues: false,
  },
  hierarchy: {
    name: 'Hierarchy',
    noun: 'item',
    nodeRoles: ['item', 'assistant'],
    linkRoles: ['child'],
    plainRole: 'item',
    continues: true,
  },
  venn: {
    name: 'Venn diagram',
    noun: 'member',
    nodeRoles: ['set', 'member'],
    linkRoles: [],
    plainRole: 'member',
    continues: false,
  },
  decision: {
    name: 'Decision',
    noun: 'option',
    nodeRoles: ['choice', 'chance', 'outcome', 'option', 'criterion'],
    linkRoles: ['leads', 'weighs'],
    plainRole: 'option',
    continues: false,
  },
  points: { name: 'Points', noun: 'point', nodeRoles: ['point'], linkRoles: [], plainRole: 'point', continues: true },
} satisfies Record<FigureKind, KindRow>

/** What a node becomes in another kind; where nothing is said, the plain role of that kind. */
const becomes: Partial<Record<FigureKind, Partial<Record<NodeRole, NodeRole>>>> = {
  process: { choice: 'question', chance: 'question', outcome: 'end' },
  decision: { question: 'choice', end: 'outcome', set: 'option' },
  venn: { choice: 'set', question: 'set' },
}

/** The role of a node in another kind of figure. */
export function roleIn(kind: FigureKind, role: NodeRole): NodeRole {
  const { nodeRoles, plainRole }: KindRow = kinds[kind]
  return nodeRoles.includes(role) ? role : (becomes[kind]?.[role] ?? plainRole)
}
