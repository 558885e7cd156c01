/** The finished picture as data: everything that is drawn, and where its parts are. */
import type { LookFields, Places } from '../figure'
import type { Box, Point, Fit } from '../geometry'
import type { Area } from './areas'
import type { Mark } from '../dress'

export type Fitted = { readonly fit: Fit; readonly width: number; readonly height: number }
export type Scene = {
  readonly width: number
  readonly height: number
  readonly background: string
  /** Files leave it open. */
  readonly open: boolean
  readonly marks: readonly Mark[]
  readonly fit: Fit
  /** Nodes and connectors by place, for pointing and for alternatives to seeing. */
  readonly nodes: readonly {
    readonly id: string
    readonly box: Box
    readonly text: string
    readonly held: boolean
    readonly inset: boolean
  }[]
  readonly links: readonly {
    readonly id: string
    readonly from: string
    readonly to: string
    readonly points: readonly Point[]
    readonly text: string
  }[]
  readonly notes: readonly { readonly id: string; readonly box: Box; readonly text: string; readonly subject: Point }[]
  readonly areas: readonly Area[]
  /** By part, what a person has set on it and that does not show, dressed as it is. */
  readonly unheard: Readonly<Record<string, readonly (keyof LookFields)[]>>
  /** Connectors run level and upright, and can be bent by hand. */
  readonly bends: boolean
  /** Where the nodes stand in layout px, to be left there by the next edit. */
  readonly places: Omit<Places, 'key'>
  /** pt; null for a figure without text. */
  readonly smallestText: number | null
  readonly missing: readonly string[]
}

/** What of an earlier picture is another one now: marks and places of nodes, links and notes that have changed, whole. */
export type SceneChange = Pick<Scene, 'marks' | 'nodes' | 'links' | 'notes'> & { readonly owners: readonly string[] }
