/** Where a key went. Keys typed into a field are the field's; a shortcut is taken there only when its row says so. A choice
 *  is a list that opens: some keys are its own. */
export type KeyPlace = 'page' | 'manuscript' | 'field' | 'choice'

/** Something a person can do now. `keys` as `Mod+Shift+K`; Mod is Ctrl, or Command on a Mac. */
export type Command = {
  readonly name: string
  readonly keys?: string
  /** Where its keys are taken; on the page alone, unless told. */
  readonly at?: readonly KeyPlace[]
  readonly run: () => void
}

type Key = {
  readonly key: string
  readonly ctrlKey: boolean
  readonly metaKey: boolean
  readonly shiftKey: boolean
  readonly altKey: boolean
  readonly isComposing: boolean
}

/** The command that a key means where it went, or null. */
export const commandFor = (commands: readonly Command[], key: Key, place: KeyPlace): Command | null =>
  key.isComposing
    ? null
    : (commands.find((c) => c.keys !== undefined && (c.at ?? ['page']).includes(place) && matches(key, c.keys)) ?? null)

function matches(event: Key, keys: string): boolean {
  const parts = keys.split('+')
  const key = parts.at(-1) ?? ''
  const wants = (name: string) => parts.slice(0, -1).includes(name)
  return (
    event.key.toLowerCase() === key.toLowerCase() &&
    (event.ctrlKey || event.metaKey) === wants('Mod') &&
    event.shiftKey === wants('Shift') &&
    event.altKey === wants('Alt')
  )
}

const FIELDS = 'textarea, input:not([type=button], [type=checkbox], [type=radio], [type=range], [type=submit])'

/** An editable element says with `data-key-place` that it is more than a field. */
export function placeOf(target: EventTarget | null): KeyPlace {
  if (!(target instanceof HTMLElement)) return 'page'
  if (target.closest('[data-key-place=manuscript]')) return 'manuscript'
  if (target instanceof HTMLSelectElement) return 'choice'
  return target.isContentEditable || target.closest(FIELDS) || target.closest('[role=dialog]') ? 'field' : 'page'
}
