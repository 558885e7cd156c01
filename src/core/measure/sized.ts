/** What comes out of stage `measure`. */
import type { FigureKind, FigureNote, Hue, LinkId, LookFields, NodeId, NodeRole, NoteId, TwoCriteria } from '../figure'
import type { Box, Point, ShapeName, Size } from '../geometry'
import type { FigureStyle, NodeDress } from '../style'
import type { Shared } from './pieceItems'
import type { Pieces } from './pieces'
import type { TextBlock } from './textBlock'

export type SizedNode = Size & {
  readonly id: NodeId
  readonly role: NodeRole
  readonly shape: ShapeName
  readonly dress: NodeDress
  readonly pieces: Pieces
  /** All its words. */
  readonly text: string
  /** What a person has made of it. */
  readonly look: LookFields
  readonly held: Box | null
  /** As large as a person made it, where its words need no more: not evened with its peers. */
  readonly resized: boolean
  /** Drawn before those with less. */
  readonly lift: number
  /** Sets a member belongs to. */
  readonly memberOf: readonly NodeId[]
  /** How much it counts where areas are to scale. */
  readonly weight: number
  /** The step that a bar of parallel branches stands beside; null for what is a node of the figure. */
  readonly barOf: NodeId | null
  /** It holds a figure of its own. */
  readonly inset: boolean
  /** Who does the step; null where the text does not say. */
  readonly actor: string | null
}
export type SizedLink = {
  readonly id: LinkId
  readonly from: NodeId
  readonly to: NodeId
  /** Into, or out of, what is done at the same time as others. */
  readonly beside: boolean
  /** Joins what other links join already: no part of the backbone of a concept map. */
  readonly cross: boolean
  /** Leads to the best option of a choice. */
  readonly best: boolean
  readonly label: TextBlock | null
  readonly look: LookFields
  /** As a person bent it, in layout px. */
  readonly heldRoute: readonly Point[] | null
}
export type SizedNote = {
  readonly id: NoteId
  readonly about: FigureNote['about']
  readonly block: TextBlock
  /** Where a person put its middle, from the middle of what it speaks of. */
  readonly off: Point | null
}
export type Sized = {
  readonly kind: FigureKind
  readonly arrangement: string
  readonly title: string
  /** What stands above and below the picture; null where nothing does. */
  readonly headline: TextBlock | null
  readonly caption: TextBlock | null
  readonly sourceLine: TextBlock | null
  readonly style: FigureStyle
  readonly nodes: readonly SizedNode[]
  readonly links: readonly SizedLink[]
  readonly notes: readonly SizedNote[]
  /** What the parts of all nodes have in common. */
  readonly shared: Shared
  /** What colours and icons mean, in words, where the figure does not say it by itself. */
  readonly legend: readonly {
    readonly block: TextBlock
    readonly hue: Hue
    readonly icon: string | null
    /** In its full colour, whatever nodes are filled with. */
    readonly full: boolean
  }[]
  /** Which colour each node is to have. */
  readonly hues: ReadonlyMap<NodeId, Hue>
  /** What ends of a decision are worth, where they say so. */
  readonly worths: ReadonlyMap<NodeId, number>
  /** Everyone who does a step, in the order of the text. */
  readonly actors: readonly { readonly name: string; readonly block: TextBlock }[]
  /** When each happens, as numbers; null where not all of them say so. */
  readonly times: ReadonlyMap<NodeId, number> | null
  /** The node that a person has put in the middle. */
  readonly focus: NodeId | null
  /** Where the options of a decision stand by two criteria; null where they are not told so. */
  readonly twoCriteria: TwoCriteria | null
  /** Characters that no shipped font can show. */
  readonly missing: readonly string[]
}
