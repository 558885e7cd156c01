import type { FigureKind, LinkRole, NodeRole } from './vocabulary'
import { words, type Words } from '../words'

type KindRow = {
  /** As it stands in the interface. */
  readonly name: Words
  /** What one node of it is called. */
  readonly noun: Words
  /** In a sentence. */
  readonly within: Words
  /** What adds one. */
  readonly add: Words
  readonly nodeRoles: readonly NodeRole[]
  readonly linkRoles: readonly LinkRole[]
  /** The role that a node takes when its own means nothing in this kind. */
  readonly plainRole: NodeRole
  /** What is too much for a frame can be cut into continued figures. */
  readonly continues: boolean
}

/** What links are called where a person chooses between them. */
export const linkMeanings: Record<LinkRole, Words> = {
  next: words('then'),
  beside: words('at the same time'),
  relation: words('relates to'),
  child: words('above'),
  leads: words('leads to'),
  weighs: words('weighs'),
}

/** What a node is, by its role. */
export const roleNames: Readonly<Record<NodeRole, Words>> = {
  start: words('start'),
  step: words('step'),
  question: words('question'),
  end: words('end'),
  connector: words('connector'),
  concept: words('concept'),
  item: words('item'),
  assistant: words('assistant'),
  set: words('set'),
  member: words('member'),
  choice: words('choice'),
  chance: words('chance'),
  outcome: words('outcome'),
  option: words('option'),
  criterion: words('criterion'),
  point: words('point'),
}

/** What each kind of figure is made of. */
export const kinds = {
  process: {
    name: words('Process'),
    noun: words('step'),
    within: words('process'),
    add: words('Add a step'),
    nodeRoles: ['start', 'step', 'question', 'end', 'connector'],
    linkRoles: ['next', 'beside'],
    plainRole: 'step',
    continues: true,
  },
  concept: {
    name: words('Concept map'),
    noun: words('concept'),
    within: words('concept map'),
    add: words('Add a concept'),
    nodeRoles: ['concept'],
    linkRoles: ['relation'],
    plainRole: 'concept',
    continues: false,
  },
  hierarchy: {
    name: words('Hierarchy'),
    noun: words('item'),
    within: words('hierarchy'),
    add: words('Add an item'),
    nodeRoles: ['item', 'assistant'],
    linkRoles: ['child'],
    plainRole: 'item',
    continues: true,
  },
  venn: {
    name: words('Venn diagram'),
    noun: words('member'),
    within: words('Venn diagram'),
    add: words('Add a member'),
    nodeRoles: ['set', 'member'],
    linkRoles: [],
    plainRole: 'member',
    continues: false,
  },
  decision: {
    name: words('Decision'),
    noun: words('option'),
    within: words('decision'),
    add: words('Add an option'),
    nodeRoles: ['choice', 'chance', 'outcome', 'option', 'criterion'],
    linkRoles: ['leads', 'weighs'],
    plainRole: 'option',
    continues: false,
  },
  points: {
    name: words('Points'),
    noun: words('point'),
    within: words('points'),
    add: words('Add a point'),
    nodeRoles: ['point'],
    linkRoles: [],
    plainRole: 'point',
    continues: true,
  },
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
