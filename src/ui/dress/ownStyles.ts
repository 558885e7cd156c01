import { nanoid } from 'nanoid'
import { houseStyleSchema, type HouseStyle } from '@/core/style'
import { saveFile } from '../bench/saveFile'

/** Begins with a letter, as the names of those that ship do. */
export const newStyleId = (): string => `own-${nanoid(8)}`

/** A house style from a JSON file; else the sentence that says what is wrong with it. */
export function styleFromJson(text: string): HouseStyle | string {
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    // Not JSON at all: said below, with what would be right.
    return 'This file is no house style: it is not JSON. Choose a file that was exported here.'
  }
  const checked = houseStyleSchema.safeParse(raw)
  if (checked.success) return checked.data
  const [issue] = checked.error.issues
  return `This file is no house style: ${issue?.path.join('.') || 'the whole'} ${issue?.message.toLowerCase() ?? 'is not sound'}.`
}

/** Hands a style to the person as a file. */
export const downloadStyle = (style: HouseStyle): void =>
  saveFile(
    `${style.name.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60)}.house-style.json`,
    'application/json',
    `${JSON.stringify(style, null, 2)}\n`,
  )
