/** Other programs as readers of our files: LibreOffice, poppler, libxml, Graphviz, each with the fonts that ship here. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp, { type SharpInput } from 'sharp'

export const work = mkdtempSync(path.join(tmpdir(), 'compass-files-'))
export const at = (name: string): string => path.join(work, name)

const fonts = at('fonts.conf')
writeFileSync(
  fonts,
  `<?xml version="1.0"?><fontconfig><dir>${path.resolve('node_modules/@expo-google-fonts')}</dir><cachedir>${at('fonts')}</cachedir></fontconfig>`,
)
const run = (program: string, args: readonly string[]): string =>
  execFileSync(program, [...args], {
    env: { ...process.env, FONTCONFIG_FILE: fonts, HOME: work },
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
    maxBuffer: 1 << 28,
    timeout: 180_000,
  })

/** Files as LibreOffice writes them in another format, beside them. */
export const converted = (names: readonly string[], to: string): string =>
  run('soffice', [
    `-env:UserInstallation=file://${at('profile')}`,
    ...['--headless', '--convert-to', to, '--outdir', work],
    ...names.map(at),
  ])

export const pdfText = (name: string): string => run('pdftotext', ['-raw', at(name), '-'])
/** Each word with its page and its upper edge in points from the page's. */
export const pdfWords = (name: string): { readonly text: string; readonly page: number; readonly y: number }[] =>
  run('pdftotext', ['-bbox', at(name), '-'])
    .split('<page ')
    .slice(1)
    .flatMap((words, i) =>
      [...words.matchAll(/<word [^>]*yMin="([\d.]+)"[^>]*>([^<]*)</g)].map((m) => ({
        ...{ text: m[2] ?? '', page: i + 1, y: Number(m[1]) },
      })),
    )
export const pdfFonts = (name: string): string[] =>
  run('pdffonts', [at(name)])
    .trim()
    .split('\n')
    .slice(2)
export const pdfInfo = (name: string): string => run('pdfinfo', [at(name)])
/** Pages as pictures that wide. */
export const pdfPages = (name: string, width: number, height: number): void =>
  void run('pdftoppm', ['-png', '-scale-to-x', String(width), '-scale-to-y', String(height), at(name), at(name)])
export const pagePath = (name: string, page: number, pages: number): string =>
  at(`${name}-${String(page).padStart(String(pages).length, '0')}.png`)

/** Throws with what is wrong with it. */
export const validXml = (name: string, schema: string): string =>
  run('xmllint', ['--noout', '--nonet', '--schema', schema, at(name)])
export const validByDtd = (name: string, dtd: string): string =>
  run('xmllint', ['--noout', '--nonet', '--dtdvalid', dtd, at(name)])
export const readByDot = (name: string): string => run('dot', ['-Tplain', at(name)])

/** The share of pixels that differ clearly once edges are softened: what antialiasing does is no difference. */
export async function difference(a: SharpInput, b: SharpInput, width: number, height: number): Promise<number> {
  const [x, y] = await Promise.all(
    [a, b].map((input) =>
      sharp(input).flatten({ background: '#ffffff' }).resize(width, height, { fit: 'fill' }).blur(1.2).raw().toBuffer(),
    ),
  )
  if (!x || !y) throw new Error('no pixels')
  let differ = 0
  for (let i = 0; i < x.length; i += 3)
    if ([0, 1, 2].some((k) => Math.abs((x[i + k] ?? 0) - (y[i + k] ?? 0)) > 64)) differ++
  return differ / (width * height)
}
