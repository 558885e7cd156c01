/** Where a remark stands and what it proposes, as data from outside. */
import { z } from 'zod'

const id = z.string().min(1).max(64)
export const MOST_WORDS = 4000

/** `anchor` are Yjs relative positions: they stay with the words. `quote` are the words as they were. */
export const placeSchema = z.discriminatedUnion('at', [
  z.object({ at: z.literal('folio') }),
  z.object({
    at: z.literal('words'),
    anchor: z.object({ start: z.record(z.string(), z.unknown()), end: z.record(z.string(), z.unknown()) }),
    quote: z.string().max(MOST_WORDS),
  }),
  z.object({ at: z.literal('figure'), figure: id }),
  z.object({ at: z.literal('part'), figure: id, part: id, quote: z.string().max(MOST_WORDS) }),
  z.object({ at: z.literal('region'), figure: id, sets: z.array(id).max(5), quote: z.string().max(MOST_WORDS) }),
])
export type Place = z.infer<typeof placeSchema>

/** Other words for those that the remark stands at. */
export const proposalSchema = z.object({ from: z.string().max(MOST_WORDS), to: z.string().max(MOST_WORDS) })
export type Proposal = z.infer<typeof proposalSchema>

const words = z.string().trim().min(1).max(MOST_WORDS)
const mentions = z.array(id).max(20).default([])
export const newRemark = z
  .object({ place: placeSchema, words, proposal: proposalSchema.nullable().default(null), mentions })
  .refine((r) => r.proposal === null || r.place.at === 'words' || r.place.at === 'part', 'nothing there can be changed')
export const newAnswer = z.object({ words, mentions })
export const remarkChange = z.union([
  z.object({ words }),
  z.object({ state: z.enum(['open', 'resolved', 'taken', 'left']) }),
])
export type RemarkState = 'open' | 'resolved' | 'taken' | 'left'
