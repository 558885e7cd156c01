/** First letters. Cases are mapped by Unicode's own table and not by the machine's language; of the languages that differ,
 *  those with two letters i are known. */

const DOTTED = /^(?:tr|az)(?:-|$)/i

/** With a capital first letter, where that is one letter, too. In: any text; `language` as BCP 47. */
export const capital = (s: string, language = 'en'): string =>
  s.replace(/^(?!ß)\p{Ll}/u, (c) => (c === 'i' && DOTTED.test(language) ? 'İ' : c.toUpperCase()))

/** With a capital first letter, but for a name that mixes cases of its own ("eMail"). */
export const capitalWord = (s: string): string => (/^\p{Ll}\p{Lu}/u.test(s) ? s : capital(s))

/** With a small first letter, but for an abbreviation ("VHF"). */
export const lowerFirst = (s: string): string => s.replace(/^\p{Lu}(?!\p{Lu})/u, (c) => c.toLowerCase())
