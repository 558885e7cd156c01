/** A figure as data: what is said and how it is linked, without a coordinate but for what a person placed by hand.
 *  One flat record serves all six kinds; the schemas are the single definition, the types follow from them. */
import { z } from 'zod'

export const figureKinds = ['process', 'concept', 'hierarchy', 'venn', 'decision', 'points'] as const
export const nodeRoles = [
  'start',
  'step',
  'question',
  'end',
  'concept',
  'item',
  'set',
  'member',
  'choice',
  'chance',
  'outcome',
  'option',
  'criterion',
  'point',
] as const
export const linkRoles = ['next', 'relation', 'child', 'leads', 'weighs'] as const
export const frames = [
  'slide-16x9',
  'slide-4x3',
  'page-column',
  'page-portrait',
  'page-landscape',
  'square',
  'portrait-4x5',
  'free',
] as const
export const typefaces = ['grotesk', 'serif', 'legible'] as const

/** Long enough for a paragraph in a node, short enough that one node cannot stall the layout. */
export const MAX_NODE_TEXT = 2000
export const MAX_NODES = 2000

const id = z.string().min(1).max(64)
const words = z.string().max(MAX_NODE_TEXT)
const finite = z.number().min(-1e6).max(1e6)
const span = z.object({ start: z.number().int().nonnegative(), end: z.number().int().nonnegative() }).readonly()
const point = z.object({ x: finite, y: finite }).readonly()
const box = z.object({ x: finite, y: finite, width: finite, height: finite }).readonly()
const look = z
  .object({
    fill: z.string().max(32).optional(),
    line: z.string().max(32).optional(),
    shape: z.string().max(32).optional(),
  })
  .readonly()

export const nodeSchema = z
  .object({
    id,
    role: z.enum(nodeRoles),
    text: words,
    /** A line under the text: the detail of a point, the note of a step. */
    detail: words.optional(),
    /** Place among the nodes as the text gives them; ties are broken by id. */
    order: finite,
    actor: words.optional(),
    memberOf: z.array(id).readonly().optional(),
    measure: z
      .object({ value: z.number(), unit: z.string().max(32) })
      .readonly()
      .optional(),
    duration: words.optional(),
    icon: z.string().max(64).optional(),
    fields: z
      .record(z.string(), z.union([z.string(), z.number(), z.boolean()]))
      .readonly()
      .optional(),
    /** The words of the passage that this node came from. */
    source: z.array(span).readonly(),
    inset: id.optional(),
    wordings: z.record(z.string(), words).readonly().optional(),
    look: look.optional(),
    /** Where a person put the node, in layout px; layout leaves it there. */
    held: box.optional(),
  })
  .readonly()

export const linkSchema = z
  .object({
    id,
    role: z.enum(linkRoles),
    from: id,
    to: id,
    text: words.optional(),
    /** Between 0 and 1. */
    probability: z.number().min(0).max(1).optional(),
    order: finite,
    source: z.array(span).readonly(),
    look: look.optional(),
    heldRoute: z.array(point).readonly().optional(),
  })
  .readonly()

export const figureSchema = z
  .object({
    id,
    kind: z.enum(figureKinds),
    title: words,
    altText: words.optional(),
    /** BCP 47. */
    language: z.string().max(35),
    nodes: z.record(id, nodeSchema).readonly(),
    links: z.record(id, linkSchema).readonly(),
    arrangement: z.string().max(32),
    frame: z.enum(frames),
    houseStyle: z.string().max(64),
    dress: z.object({ typeface: z.enum(typefaces) }).readonly(),
    /** The stretch of `wasRead.text` that the figure was read from; null for a figure that was never read. */
    passage: span.nullable(),
    /** The figure as its text gave it. Spans of nodes and links are offsets into this text. */
    wasRead: z
      .object({
        text: z.string(),
        nodes: z.record(id, words).readonly(),
        links: z.record(id, z.tuple([id, id, words]).readonly()).readonly(),
      })
      .readonly(),
  })
  .readonly()
  .superRefine((figure, context) => {
    if (Object.keys(figure.nodes).length > MAX_NODES)
      context.addIssue({ code: 'custom', path: ['nodes'], message: `more than ${MAX_NODES} nodes` })
    for (const [key, node] of Object.entries(figure.nodes))
      if (key !== node.id)
        context.addIssue({ code: 'custom', path: ['nodes', key], message: 'id differs from its key' })
    for (const [key, link] of Object.entries(figure.links)) {
      if (key !== link.id)
        context.addIssue({ code: 'custom', path: ['links', key], message: 'id differs from its key' })
      for (const end of ['from', 'to'] as const)
        if (!Object.hasOwn(figure.nodes, link[end]))
          context.addIssue({ code: 'custom', path: ['links', key, end], message: `there is no node ${link[end]}` })
    }
  })

export type Figure = z.infer<typeof figureSchema>
export type FigureNode = z.infer<typeof nodeSchema>
export type FigureLink = z.infer<typeof linkSchema>
export type FigureKind = (typeof figureKinds)[number]
export type NodeRole = (typeof nodeRoles)[number]
export type LinkRole = (typeof linkRoles)[number]
export type FrameName = (typeof frames)[number]
export type Typeface = (typeof typefaces)[number]
export type NodeId = string
export type LinkId = string

/** Nodes in the order of the text. */
export const nodesInOrder = (f: Figure): FigureNode[] =>
  Object.values(f.nodes).toSorted((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1))

/** Links in the order they leave their nodes: by the order of the source node, then their own. */
export const linksInOrder = (f: Figure): FigureLink[] =>
  Object.values(f.links).toSorted(
    (a, b) =>
      (f.nodes[a.from]?.order ?? 0) - (f.nodes[b.from]?.order ?? 0) || a.order - b.order || (a.id < b.id ? -1 : 1),
  )
