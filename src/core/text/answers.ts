/** What the arms of a question are called, and what stands for a step still to be named, by language. */
export type Answers = {
  readonly yes: string
  readonly no: string
  readonly otherwise: string
  /** A step that a person is about to name. */
  readonly then: string
}

const table = {
  en: { yes: 'yes', no: 'no', otherwise: 'otherwise', then: 'What to do then' },
  de: { yes: 'ja', no: 'nein', otherwise: 'sonst', then: 'Was dann zu tun ist' },
  es: { yes: 'sí', no: 'no', otherwise: 'si no', then: 'Qué hacer entonces' },
} as const satisfies Record<string, Answers>

/** The row of a language; English where there is none. `language` as BCP 47. */
export const answersIn = (language: string): Answers =>
  Object.entries<Answers>(table).find(([key]) => key === language.toLowerCase().split('-')[0])?.[1] ?? table.en
