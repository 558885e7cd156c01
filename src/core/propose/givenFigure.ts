/** Figures as another reader gives them: the shape they must have, before any of their words are believed. */
import * as z from 'zod/mini'
import { MAX_NODE_TEXT, figureKinds } from '../figure'

const id = z.string().check(z.minLength(1), z.maxLength(64))
const words = z.string().check(z.maxLength(MAX_NODE_TEXT))
const added = z.optional(z.boolean())

const givenNode = z.readonly(
  z.object({
    id,
    label: words,
    /** One of the roles that nodes of the kind have; anything else is the plain one. */
    role: z.optional(z.string().check(z.maxLength(32))),
    detail: z.optional(words),
    actor: z.optional(words),
    /** Of a member of a Venn diagram: the sets it lies in. */
    sets: z.optional(z.readonly(z.array(id).check(z.maxLength(5)))),
    /** The label is not in the passage, and the reader knows it. */
    added,
  }),
)
const givenLink = z.readonly(z.object({ from: id, to: id, label: z.optional(words), added }))
const givenFigure = z.readonly(
  z.object({
    kind: z.enum(figureKinds),
    nodes: z.readonly(z.array(givenNode).check(z.maxLength(200))),
    links: z._default(z.readonly(z.array(givenLink).check(z.maxLength(400))), []),
  }),
)
export const givenFiguresSchema = z.readonly(
  z.object({ figures: z.readonly(z.array(givenFigure).check(z.maxLength(6))) }),
)

export type GivenNode = z.infer<typeof givenNode>
export type GivenLink = z.infer<typeof givenLink>
export type GivenFigure = z.infer<typeof givenFigure>
export type GivenFigures = z.infer<typeof givenFiguresSchema>
