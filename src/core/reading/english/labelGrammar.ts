/** What the words of a label are. */
import { DETERMINERS, PREPOSITIONS, isWord, wordsOf, type WordLists } from './words'

const AHEAD = /^(?:please|then|first|next|finally|always|never|now|also|immediately|again|not|do|\w+ly)$/
const OBJECT = /^(?:it|them|him|her|us|up|down|off|out|on|in|to|with|at|for|from|whether|that|all|any|every|each|both)$/

/** Whether a label tells what is done, as a command does: “Lower the ramp”, “First check the moorings”. Null where the word may be a verb or a noun and nothing behind it tells which, and for what begins with a number. */
export function beginsWithVerb(label: string, lists: WordLists): boolean | null {
  const words = wordsOf(label, { start: 0, end: label.length }).filter(isWord)
  const at = words.findIndex((w) => !AHEAD.test(w.lower))
  const [word, behind] = [words[at], words[at + 1]]
  if (!word || /^\p{N}/u.test(word.text) || word.lower === 'if' || word.lower === 'when') return null
  const known = lists.verbClass.get(word.lower)
  if (known === 'only' || known === 'leaning') return true
  const followed = behind !== undefined && (DETERMINERS.has(behind.lower) || OBJECT.test(behind.lower))
  if (known === 'mixed') return followed ? true : null
  if (known === 'rare') return followed && DETERMINERS.has(behind.lower) ? true : null
  // “loads”, “loading”, “re-check” may be told of somebody, or be verbs no list has.
  return /(?:s|ing|ed)$|-/.test(word.lower) || followed ? null : false
}

/** Whether a label names somebody by what they do: “Four deckhands”, “Second engineer”, “Matron”. */
export function namesPerson(label: string, lists: WordLists): boolean {
  const words = wordsOf(label, { start: 0, end: label.length }).filter(isWord)
  const end = words.findIndex((w) => PREPOSITIONS.has(w.lower))
  const head = words.at(end < 0 ? -1 : end - 1)?.lower ?? ''
  return [head, head.replace(/s$/, ''), head.replace(/^.*?(?=(?:man|men|hand|hands)$)/, '')].some((w) =>
    lists.actors.has(w),
  )
}
