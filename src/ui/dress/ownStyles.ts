import { nanoid } from 'nanoid'
import { z } from 'zod/mini'
import { houseStyleSchema, type HouseStyle } from '@/core/style'
import { saveFile } from '../bench/saveFile'
import { said } from '@/core/words'
import { sayNow } from '../words/words'

/** Begins with a letter, as the names of those that ship do. */
export const newStyleId = (): string => `own-${nanoid(8)}`

/** A style with the fonts and the logo it needs, by hash, in base64. */
export type StyleFile = { readonly style: HouseStyle; readonly files: Readonly<Record<string, string>> }
const files = z.object({ files: z._default(z.record(z.string(), z.base64()), {}) })

/** The most that a file of a style may be: a few fonts. */
export const MOST_STYLE_FILE = 80_000_000

/** A house style from a JSON file; else the sentence that says what is wrong with it. */
export function styleFromJson(text: string): StyleFile | string {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    // Not JSON at all: said below, with what would be right.
    return sayNow(said('This file is no house style: it is not JSON. Choose a file that was exported here.'))
  }
  const [style, beside] = [houseStyleSchema.safeParse(raw), files.safeParse(raw)]
  if (style.success && beside.success) return { style: style.data, files: beside.data.files }
  const [issue] = (style.error ?? beside.error)?.issues ?? []
  const path = issue?.path.join('.')
  return sayNow(
    path
      ? said('This file is no house style: “{path}” is not sound. Choose a file that was exported here.', { path })
      : said('This file is no house style. Choose a file that was exported here.'),
  )
}

/** Hands a style to the person as a file. */
export const downloadStyle = ({ style, files: beside }: StyleFile): void =>
  saveFile(
    `${style.name.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.house-style.json`,
    'application/json',
    `${JSON.stringify(Object.keys(beside).length > 0 ? { ...style, files: beside } : style, null, 2)}\n`,
  )
