import type { Edit } from '../document'

/** A place where the words can be taken in two ways: the figure holds the first, each option is ready to be applied. */
export type Doubt = {
  readonly id: string
  readonly question: string
  /** Nodes and links it is about. */
  readonly about: readonly string[]
  readonly options: readonly { readonly label: string; readonly edit: Edit }[]
}
