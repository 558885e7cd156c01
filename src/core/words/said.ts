/** Words for people, in any language. The English sentence is its own key: it stands in the code where it is said, and
 *  `catalogues/` holds what it is in every other language. Sentences are in ICU MessageFormat (holes, plurals, choices). */

/** What stands in a hole of a sentence; a list is told as one (“a, b and c”). */
export type Hole = string | number | Said | readonly (string | Said)[]
export type Holes = Readonly<Record<string, Hole | undefined>>

/** A sentence that waits for its language. */
export type Said = { readonly says: string; readonly holes?: Holes }

declare const inCatalogue: unique symbol
/** A name in English, as rows of tables carry it, that every catalogue knows. */
export type Words = string & { readonly [inCatalogue]: true }

/** Only what is written out can be found by the script that keeps the catalogues: a string that was put together is none. */
type Written<S extends string> = string extends S ? never : S

/** “{name} is shared”, to be told later. */
export const said = <S extends string>(says: Written<S>, holes?: Holes): Said => (holes ? { says, holes } : { says })

/** Somebody’s own words, where a sentence is looked for: they are the same in every language. */
export const own = (text: string): Said => ({ says: '{text}', holes: { text } })

/** A name for a row of a table. */
export const words = <S extends string>(name: Written<S>): Words => name as string as Words

/** Says a sentence in one language. */
export type Tell = {
  <S extends string>(says: Written<S>, holes?: Holes): string
  (said: Said): string
}
