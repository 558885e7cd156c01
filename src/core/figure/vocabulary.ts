/** The words that figures are made of: kinds, roles, frames, forms. */
import { words, type Words } from '../words'

export const figureKinds = ['process', 'concept', 'hierarchy', 'venn', 'decision', 'points'] as const
export const nodeRoles = [
  'start',
  'step',
  'question',
  'end',
  /** Where a process goes on in another figure: the connector of ISO 5807. */
  'connector',
  'concept',
  'item',
  /** Helps the one above, with nobody below: stands beside the line. */
  'assistant',
  'set',
  'member',
  'choice',
  'chance',
  'outcome',
  'option',
  'criterion',
  'point',
] as const
export const linkRoles = [
  'next',
  /** Into, or out of, what is done at the same time as others. */
  'beside',
  'relation',
  'child',
  'leads',
  'weighs',
] as const
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
/** How connectors are drawn: from one route, but for straight ones, which go the shortest way. */
export const connectorForms = ['rounded', 'square', 'curved', 'straight'] as const
export const connectorFormNames: Readonly<Record<(typeof connectorForms)[number], Words>> = {
  rounded: words('Rounded'),
  square: words('Right-angled'),
  curved: words('Curved'),
  straight: words('Straight'),
}
export const typefaces = [
  'grotesk',
  'serif',
  'legible',
  'chart',
  'log',
  'flag',
  'geometric',
  'round',
  'slab',
  'ticket',
  'hand',
] as const
/** Whose colour connectors have, where not that of the style. */
export const lineColours = ['source', 'target'] as const
/** Where on a connector its words stand. */
export const labelPlaces = ['start', 'middle', 'end'] as const
/** What lies behind a figure. */
export const grounds = ['paper', 'none', 'tint', 'band'] as const
/** Free room around a picture in its frame; ordinary where a figure says nothing. */
export const margins = ['narrow', 'wide'] as const
/** What colours tell apart; a group is what links join. */
export const colourings = ['role', 'one', 'each', 'level', 'branch', 'group', 'actor', 'value', 'data'] as const

/** Long enough for a paragraph in a node, short enough that one node cannot stall the layout. */
export const MAX_NODE_TEXT = 2000
export const MAX_NODES = 2000
export const MAX_NOTES = 200
export const MAX_LANGUAGES = 40

export type FigureKind = (typeof figureKinds)[number]
export type NodeRole = (typeof nodeRoles)[number]
export type LinkRole = (typeof linkRoles)[number]
export type FrameName = (typeof frames)[number]
export type ConnectorForm = (typeof connectorForms)[number]
export type Colouring = (typeof colourings)[number]
export type Ground = (typeof grounds)[number]
export type Typeface = (typeof typefaces)[number]
