/** Fonts that people brought, for the page to set words in. */
import { ownFamily, type OwnFonts } from '@/core/style'

const known = new Map<string, FontFace>()

/** Lets the page set words in these fonts; each is fetched when words are first set in it. */
export function letIn(fonts: OwnFonts = {}): void {
  for (const { hash } of Object.values(fonts)) {
    if (known.has(hash)) continue
    const face = new FontFace(ownFamily(hash), `url(/api/fonts/${hash})`)
    known.set(hash, face)
    document.fonts.add(face)
  }
}

/** Whether a font can still be had. */
export async function isHere(hash: string): Promise<boolean> {
  const face = known.get(hash)
  if (!face) return false
  try {
    await face.load()
    return true
  } catch {
    // Why it is not to be had makes no difference: words are set in what the type pair has.
    return false
  }
}
