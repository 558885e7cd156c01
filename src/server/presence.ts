/** Windows name themselves, and nobody speaks for the window of another: what is told to the others has the person in it. */
import { createHash } from 'node:crypto'

const TAG_LETTERS = 10

/** “window.tag”: the same for one window of one person, and nobody else's. */
export const windowOf = (person: string, window: string): string =>
  `${window}.${createHash('sha256').update(person).digest('base64url').slice(0, TAG_LETTERS)}`
