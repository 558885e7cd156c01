/** Things that a text names more than once, as one node each: by their key, by what they are without the name of their
 *  kind ("fresh cheese" under cheese is "fresh"), or by pointing back ("these", "it"). Different heads are never merged;
 *  likeness that is not certain is returned, to be asked about. */
import type { NodeId } from '../figure'
import type { Named } from '../reading'
import type { Span } from '../text'

export type Thing = { readonly id: NodeId; readonly label: string; readonly key: string; source: Span[] }

export class Things {
  readonly list: Thing[] = []
  private readonly byKey = new Map<string, Thing>()
  /** Head nouns that say only what kind of thing all this is: "bread", "sourdough bread". */
  private readonly kinds = new Set<string>()
  /** Things by their key without the word that says what kind they are. */
  private readonly byShort = new Map<string, Thing>()

  /** The thing that is meant, or null. */
  find(named: Named): Thing | null {
    return this.byKey.get(named.key) ?? this.byKey.get(withoutCount(named.key)) ?? this.short(named.key)
  }

  /** The thing that is meant; a new one where none is. */
  take(named: Named): Thing {
    const known = this.find(named)
    if (known) {
      known.source.push(named.span)
      return known
    }
    const thing: Thing = { id: `n${this.list.length + 1}`, label: named.label, key: named.key, source: [named.span] }
    this.list.push(thing)
    this.remember(named.key, thing)
    const bare = withoutCount(named.key)
    if (!this.byKey.has(bare)) this.remember(bare, thing)
    // "a board of five ... the board"
    const short = bare.split(' of ')[0] as string
    if (short !== bare && !this.byKey.has(short)) this.remember(short, thing)
    return thing
  }

  /** Says that the thing's name may be left out of the names of what belongs below it. */
  isKind(thing: Thing): void {
    const head = thing.key.split(' of ')[0]?.split(' ').at(-1)
    if (!head || this.kinds.has(head)) return
    this.kinds.add(head)
    for (const [key, known] of this.byKey) if (key.endsWith(` ${head}`)) this.shorten(key, known)
  }

  alias(key: string, thing: Thing): void {
    if (!this.byKey.has(key)) this.remember(key, thing)
  }

  private short(key: string): Thing | null {
    const words = withoutCount(key).split(' ')
    // The name of the kind stands first in some languages: "queso fresco".
    if (words.length > 1 && this.kinds.has(words[0] as string)) {
      const known = this.byKey.get(words.slice(1).join(' '))
      if (known) return known
    }
    const last = words.at(-1) as string
    if (words.length > 1 && (this.kinds.has(last) || GROUPS.has(last))) {
      const rest = words.slice(0, -1).join(' ')
      return this.byKey.get(rest) ?? null
    }
    return this.byShort.get(key) ?? null
  }

  private remember(key: string, thing: Thing): void {
    this.byKey.set(key, thing)
    const last = key.slice(key.lastIndexOf(' ') + 1)
    if (this.kinds.has(last) || GROUPS.has(last)) this.shorten(key, thing)
  }

  private shorten(key: string, thing: Thing): void {
    const short = key.slice(0, Math.max(0, key.lastIndexOf(' ')))
    if (short !== '' && !this.byShort.has(short)) this.byShort.set(short, thing)
  }
}

const GROUPS = new Set(
  'section group department team division unit category type kind class family part form branch committee area'.split(
    ' ',
  ),
)
/** The key without the word that says only what sort of unit it is. */
export const unitKey = (key: string): string => {
  const words = key.split(' ')
  return words.length > 1 && GROUPS.has(words.at(-1) as string) ? words.slice(0, -1).join(' ') : key
}
const withoutCount = (key: string): string =>
  key.replace(/^(?:\d+|one|two|three|four|five|six|seven|eight|nine|ten|dozen|couple of|pair of)\s+(?=\S)/, '')
