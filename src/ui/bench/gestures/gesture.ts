/** What a hand does on the stage, as values: each gesture starts, moves and is dropped by pure functions over figure and
 *  picture. Places are px of the frame. */
import type { Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Box, Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { Selection } from '../selection'
import type { Said } from '@/core/words'

export type Stage = {
  readonly figure: Figure
  readonly scene: Scene
  /** Canvas px for a px of the frame. */
  readonly zoom: number
  /** A new id at each call. */
  readonly newId: () => string
}
export type Keys = { readonly shift: boolean; readonly alt: boolean }

/** What lights up: nodes, a link, the region of just these sets, a lane. */
export type Lights = {
  readonly nodes?: readonly string[]
  readonly link?: string
  readonly region?: readonly string[]
  readonly box?: Box
}
/** Where something would go, told before it is dropped. */
export type Target = { readonly says: Said; readonly lights: Lights; readonly edit: Edit }

/** A line beside which things stand in line, or a gap that is as wide as another. */
export type Guide = { readonly from: Point; readonly to: Point }

export type Side = 'left' | 'right' | 'top' | 'bottom'

export type Corner = 'topLeft' | 'topRight' | 'bottomLeft' | 'bottomRight'

export type Gesture =
  | { readonly kind: 'pan'; readonly at: Point; readonly by: Point }
  | { readonly kind: 'frame'; readonly from: Point; readonly at: Point; readonly kept: Selection }
  | {
      readonly kind: 'move'
      readonly ids: readonly string[]
      /** Where they stood: the picture follows the hand meanwhile. */
      readonly stood: Readonly<Record<string, Box>>
      readonly from: Point
      readonly at: Point
      readonly moved: boolean
      readonly copies: boolean
      /** Which part was taken hold of, and what is selected when it turns out to be a click. */
      readonly clicked: Selection
      readonly target: Target | null
      readonly guides: readonly Guide[]
      /** How far they are moved, with what guides add. */
      readonly by: Point
    }
  | {
      readonly kind: 'thread'
      readonly node: string
      readonly side: Side
      readonly anchor: Point
      readonly at: Point
      readonly pulled: boolean
      readonly target: string | null
    }
  | {
      readonly kind: 'end'
      readonly link: string
      readonly end: 'from' | 'to'
      readonly anchor: Point
      readonly at: Point
      readonly target: string | null
    }
  | {
      readonly kind: 'resize'
      readonly node: string
      readonly corner: Corner
      readonly stood: Box
      readonly from: Point
      readonly at: Point
    }
  | {
      readonly kind: 'note'
      readonly note: string
      readonly stood: Box
      readonly from: Point
      readonly at: Point
      readonly moved: boolean
    }
  | {
      readonly kind: 'bend'
      readonly link: string
      readonly stretch: number
      readonly from: Point
      readonly at: Point
    }

export type Kind = Gesture['kind']
export type Of<K extends Kind> = Extract<Gesture, { kind: K }>

/** What is shown while it lasts. */
export type Preview = {
  readonly lights?: Lights
  readonly says?: Said
  readonly line?: readonly Point[]
  readonly box?: Box
  readonly guides?: readonly Guide[]
}

/** A choice that is asked for where a thread was let go over nothing. */
export type Question = {
  readonly at: Point
  readonly choices: readonly { readonly says: Said; readonly made: Made }[]
}
export type Made = { readonly edit: Edit; readonly node: string }

/** What comes of it when it is dropped. */
export type Outcome = {
  readonly edit?: Edit
  readonly select?: Selection
  /** A node whose words are asked for. */
  readonly write?: string
  /** Nodes that stay where they have been dragged to. */
  readonly hold?: readonly string[]
  readonly ask?: Question
}

export type Row<K extends Kind> = {
  readonly move: (g: Of<K>, stage: Stage, at: Point, keys: Keys) => Of<K>
  readonly preview: (g: Of<K>, stage: Stage) => Preview
  readonly drop: (g: Of<K>, stage: Stage) => Outcome
}

/** A press that moves less, in canvas px, is a click. */
export const DRAG_AFTER = 4
/** An end takes the nearest node within so many canvas px. */
export const SNAP = 48
export const isFar = (a: Point, b: Point, zoom: number): boolean => Math.hypot(a.x - b.x, a.y - b.y) * zoom > DRAG_AFTER
