/** What was answered to doubts, kept in the head of a folio beside its title: the label that was chosen, by the question. */

export type DoubtAnswers = Readonly<Record<string, string>>

const PREFIX = 'answer:'
const LONGEST = 400
/** No more are kept than `kept`; more than `sound` no folio holds, however many people answered at once. */
export const MOST_ANSWERS = { kept: 1000, sound: 2000 } as const

const isShort = (value: unknown, most: number): boolean =>
  typeof value === 'string' && value.length <= most && !value.includes('\0')

/** Under which key of the head the answer to a question stands. */
export const answerKey = (question: string): string => `${PREFIX}${question}`
/** Whether a key and a value of the head are the answer to a question. */
export const isAnswer = ([key, value]: readonly [string, unknown]): boolean =>
  key.startsWith(PREFIX) && isShort(key, PREFIX.length + LONGEST) && isShort(value, LONGEST)

/** Whether an answer can be kept beside those that are: not where question or label are endless. */
export const canBeKept = (answers: DoubtAnswers, question: string, label: string): boolean =>
  isAnswer([answerKey(question), label]) && Object.keys(answers).length < MOST_ANSWERS.kept

export const keptAnswers = (head: Iterable<[string, unknown]>): DoubtAnswers =>
  Object.fromEntries(
    [...head].filter(isAnswer).map(([key, label]) => [key.slice(PREFIX.length), String(label)] as const),
  )
