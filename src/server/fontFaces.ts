import { fontKeys, fontTable } from '@/core/style'

/** `@font-face` rules for the fonts of figures; a browser fetches each when words are first set in it. */
export const fontFaces = fontKeys
  .map((key) => {
    const { family, weight } = fontTable[key]
    return `@font-face{font-family:'${family}';font-weight:${weight};src:url('/fonts/${key}.ttf')}`
  })
  .join('')
