import { detect } from 'chardet'

/** Bytes as text: by their mark, as UTF-8 where they are that, else by what letters are likely. Null for what is no text. */
export function decodedText(bytes: Uint8Array): string | null {
  const marked = (['utf-8', 'utf-16le', 'utf-16be'] as const).find((_, i) =>
    [
      [0xef, 0xbb, 0xbf],
      [0xff, 0xfe],
      [0xfe, 0xff],
    ][i]?.every((b, k) => bytes[k] === b),
  )
  const text = marked ? read(bytes, marked) : (read(bytes, 'utf-8') ?? read(bytes, likely(bytes)))
  if (text === null) return null
  // Many signs that no text has: a file of another sort.
  const odd = [...text.slice(0, 20_000)].filter((c) => /[\u0000-\u0008\u000e-\u001f\ufffd]/.test(c)).length
  return odd > 2 + text.length * 0.002 ? null : text.replace(/^\ufeff/, '')
}

function read(bytes: Uint8Array, encoding: string): string | null {
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes)
  } catch {
    // Not in that encoding, or one that is not known here.
    return null
  }
}

function likely(bytes: Uint8Array): string {
  // Every second byte empty: UTF-16 without its mark.
  const zeros = [0, 1].map((odd) => bytes.subarray(0, 2000).filter((b, i) => i % 2 === odd && b === 0).length)
  if (Math.max(...zeros) > Math.min(bytes.length, 2000) * 0.3)
    return (zeros[1] ?? 0) > (zeros[0] ?? 0) ? 'utf-16le' : 'utf-16be'
  const found = detect(bytes.subarray(0, 200_000))
  return !found || found === 'ISO-8859-1' || found === 'ASCII' ? 'windows-1252' : found.toLowerCase()
}
