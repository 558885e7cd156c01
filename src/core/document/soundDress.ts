/** Whether what a folio says of its dress may be kept, and whether a wardrobe that is sent is one. Apart from reading it, since
 *  the page needs no schema. */
import * as z from 'zod/mini'
import { houseStyleSchema } from '../style'
import { LANGUAGE, MOST, MOST_OWN_STYLES, OWN, STYLE } from './folioDress'

const languageTag = z.string().check(z.maxLength(35), z.regex(/^[a-z]{2,8}(?:-[a-z0-9]{1,8})*$/i))
const growth = z.number().check(z.gte(1), z.lte(4))
const styleName = z.string().check(z.minLength(1), z.maxLength(64), z.regex(/^[\w-]+$/))

/** Why no folio may hold these entries; null where it may. */
export function dressFault(entries: Iterable<readonly [string, unknown]>): string | null {
  const all = [...entries]
  if (all.length > MOST_OWN_STYLES + 3) return `more than ${MOST_OWN_STYLES} house styles`
  for (const [key, value] of all) {
    if (key === STYLE && styleName.safeParse(value).success) continue
    if (key === MOST && growth.safeParse(value).success) continue
    if (key === LANGUAGE && languageTag.safeParse(value).success) continue
    if (!key.startsWith(OWN) || !styleName.safeParse(key.slice(OWN.length)).success)
      return 'an entry that is no house style'
    const checked = houseStyleSchema.safeParse(value)
    if (!checked.success)
      return `a house style whose ${checked.error.issues[0]?.path.join('.').slice(0, 60)} is not sound`
  }
  return null
}

export const wardrobeSchema = z.readonly(
  z.object({
    theme: z.enum(['light', 'dark']),
    style: z.string().check(z.maxLength(64)),
    own: z.readonly(z.record(z.string(), houseStyleSchema)),
    language: z._default(z.nullable(languageTag), null),
    most: z._default(z.nullable(growth), null),
    order: z._default(z.readonly(z.array(z.string().check(z.maxLength(64)))), []),
  }),
)
