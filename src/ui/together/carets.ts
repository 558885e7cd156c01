/** Carets of others in the manuscript: what `y-prosemirror` shows of them, and what it tells of ours, through presence. */
import type { Other, Presence } from '@/sync/presence'

type Caret = { readonly anchor: unknown; readonly head: unknown }
type State = { readonly cursor?: Caret; readonly user: { readonly name: string; readonly color: string } }

/** The part of an awareness (y-protocols) that its caret plugin asks for. */
export class Carets {
  private readonly listeners = new Set<() => void>()
  private states = new Map<string, State>()
  private own: Caret | null = null

  constructor(
    readonly doc: { readonly clientID: number },
    private readonly presence: Presence,
  ) {}

  readonly clientID = -1

  getStates(): ReadonlyMap<string, State> {
    return this.states
  }
  getLocalState(): { readonly cursor: Caret | null } {
    return { cursor: this.own }
  }
  setLocalStateField(field: string, value: Caret | null): void {
    if (field !== 'cursor') return
    this.own = value
    this.presence.move({ caret: value ?? undefined })
  }
  on(_event: string, listener: () => void): void {
    this.listeners.add(listener)
  }
  off(_event: string, listener: () => void): void {
    this.listeners.delete(listener)
  }

  /** Those who have a caret in the manuscript. */
  show(others: readonly Other[]): void {
    this.states = new Map(
      others.flatMap(({ window, name, colour, place }) =>
        place.caret ? [[window, { cursor: place.caret as Caret, user: { name, color: colour } }] as const] : [],
      ),
    )
    this.listeners.forEach((tell) => tell())
  }
}
