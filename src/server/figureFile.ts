/** A figure as a file: the same stages as on screen, then one of the formats. */
import subsetFont from 'subset-font'
import { readFileSync } from 'node:fs'
import { altTextOf, inLanguage, type Figure } from '@/core/figure'
import { svgFile, type Words } from '@/core/formats'
import { ownIcon } from '@/core/icons'
import { sceneOf } from '@/core/pipeline'
import type { Problem } from '@/core/problem'
import type { Scene } from '@/core/scene'
import { fontFaceOf, houseOf, isShippedFont, ownFontHash, styleOf, type FontKey, type Wardrobe } from '@/core/style'
import type { Drawing } from './files/drawing'
import type { FormatName, FormatOptions } from './files/fileTypes'
import { fileFormats } from './files/formats'
import { fontFile, serverTypesetter } from './fontFiles'
import { iconAt } from './iconFiles'
import { tinted } from './tinted'

export type FileOptions = FormatOptions & { readonly format: FormatName; readonly wardrobe: Wardrobe }

/** What a figure needs of what people brought, by hash: pictures as data addresses, fonts as their bytes. What is not there is
 *  drawn without. */
export type Brought = {
  readonly pictures: Readonly<Record<string, string>>
  readonly fonts: Readonly<Record<string, Uint8Array>>
}
export const NOTHING_BROUGHT: Brought = { pictures: {}, fonts: {} }

export async function figureFile(
  figure: Figure,
  options: FileOptions,
  brought: Brought,
): Promise<Uint8Array | Problem> {
  return fileFormats[options.format].make(await drawingOf(figure, options.wardrobe, brought), options)
}

/** A figure drawn, with all that any format asks of it. */
export async function drawingOf(given: Figure, wardrobe: Wardrobe, { pictures, fonts }: Brought): Promise<Drawing> {
  const figure = inLanguage(given, given.shownIn ?? wardrobe.language)
  const own = Object.values(houseOf(figure, wardrobe).fonts ?? {})
  const typesetter = serverTypesetter(Object.fromEntries(own.map((f) => [f.hash, fonts[f.hash] ?? null])))
  const scene = sceneOf(given, wardrobe, typesetter)
  const images = { pictureAt: (hash: string) => pictures[hash] ?? null, iconAt: await iconsOf(scene, pictures) }
  const title = figure.title || 'Figure'
  const description = altTextOf(figure)
  const svg = async (words: 'text' | 'outlines', background: boolean) =>
    svgFile(scene, {
      ...{ title, description, background },
      words: words === 'text' ? { as: 'text', ...images } : { as: 'outlines', typesetter, ...images },
      fontFaces: words === 'text' ? await fontFaces([scene], fonts) : '',
    })
  return {
    figure: given,
    shown: figure,
    scene,
    style: styleOf(figure, wardrobe),
    wardrobe,
    typesetter,
    images,
    description,
    fonts,
    svg,
  }
}

/** Icons of a picture: those that ship as outlines, own ones as data, stencils in the colours they are asked for in. */
async function iconsOf(scene: Scene, pictures: Brought['pictures']): Promise<Words['iconAt']> {
  const stencils = new Map<string, string>()
  for (const m of scene.marks) {
    const own = m.mark === 'icon' ? ownIcon(m.name) : null
    const data = own && pictures[own.hash]
    if (m.mark !== 'icon' || own?.kind !== 'stencil' || !data) continue
    const png = Buffer.from(data.slice(data.indexOf(',') + 1), 'base64')
    stencils.set(`${m.name} ${m.fill}`, `data:image/png;base64,${(await tinted(png, m.fill)).toString('base64')}`)
  }
  return (name, colour) => {
    const own = ownIcon(name)
    if (!own) return iconAt(name)
    const href = own.kind === 'own' ? pictures[own.hash] : stencils.get(`${name} ${colour}`)
    return href === undefined ? null : { href }
  }
}

/** `@font-face` rules with the glyphs that scenes use, as WOFF2 in data addresses. */
export async function fontFaces(
  scenes: readonly Scene[],
  fonts: Brought['fonts'],
  further: readonly (readonly [FontKey, string])[] = [],
): Promise<string> {
  const used = new Map(further.map(([key, text]) => [key, new Set(text)]))
  for (const m of scenes.flatMap((s) => s.marks))
    if (m.mark === 'text')
      for (const r of m.lines.flatMap((l) => l.runs)) {
        const set = used.get(r.font) ?? new Set()
        for (const c of r.text) set.add(c)
        used.set(r.font, set)
      }
  const rules = [...used].map(async ([key, characters]) => {
    const whole = isShippedFont(key) ? readFileSync(fontFile(key)) : fonts[ownFontHash(key) ?? '']
    if (!whole) throw new Error(`words are set in ${key}, which is not at hand`)
    const woff = await subsetFont(Buffer.from(whole), [...characters].join(''), { targetFormat: 'woff2' })
    const { family, weight } = fontFaceOf(key)
    return `@font-face{font-family:'${family}';font-weight:${weight};src:url(data:font/woff2;base64,${woff.toString('base64')}) format('woff2')}`
  })
  return (await Promise.all(rules)).join('')
}
