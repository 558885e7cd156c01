import { nanoid } from 'nanoid'

/** The id of a new part of a figure. */
export const newId = (): string => nanoid(8)
