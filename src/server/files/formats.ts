/** The formats a figure leaves in, a row each. */
import { Resvg } from '@resvg/resvg-js'
import sharp, { type Sharp } from 'sharp'
import { sceneOf } from '@/core/pipeline'
import type { Problem } from '@/core/problem'
import type { Scene } from '@/core/scene'
import type { Drawing } from './drawing'
import type { FormatName, FormatOptions } from './fileTypes'
import { insidePng, insideSvg, insideXml, jsonOf } from './inside'

type Row = {
  readonly make: (drawing: Drawing, options: FormatOptions) => Promise<Uint8Array | Problem>
}

/** A raster above this would need more than half a gigabyte while it is made. */
export const MAX_PIXELS = 60_000_000

async function raster(d: Drawing, o: FormatOptions): Promise<Uint8Array | Problem> {
  const pixels = Math.round(d.scene.width * o.scale) * Math.round(d.scene.height * o.scale)
  if (pixels > MAX_PIXELS) return { code: 'picture-too-large', pixels, limit: MAX_PIXELS }
  const svg = await d.svg('outlines', o.background)
  return new Resvg(svg, { fitTo: { mode: 'zoom', value: o.scale }, font: { loadSystemFonts: false } }).render().asPng()
}

/** A raster in another coding; what has no place for see-through parts stands on its ground. */
const coded =
  (solid: boolean, write: (image: Sharp) => Sharp) =>
  async (d: Drawing, o: FormatOptions): Promise<Uint8Array | Problem> => {
    const png = await raster(d, solid ? { ...o, background: true } : o)
    if ('code' in png) return png
    const image = solid ? sharp(png).flatten({ background: '#ffffff' }) : sharp(png)
    return new Uint8Array(await write(o.dpi ? image.withMetadata({ density: o.dpi }) : image).toBuffer())
  }

/** Formats are loaded when the first file is asked for in one of them: the command line starts for any in a moment. */
const exchange = () => import('@/core/exchange')
const written = (text: (d: Drawing) => string | Promise<string>): Row => ({
  make: async (d) => new TextEncoder().encode(await text(d)),
})
const slideOptions = (d: Drawing, o: FormatOptions) => ({
  ...{ glue: o.glue, inside: o.inside ? insideXml : null, title: d.shown.title },
})

/** In lanes where somebody acts: as BPMN shows who does what. */
function laned({ shown, scene, style, typesetter, wardrobe }: Drawing): Scene {
  const acts = Object.values(shown.nodes).some((n) => n.actor)
  if (!acts || shown.arrangement === 'lanes') return scene
  return sceneOf({ ...shown, arrangement: 'lanes', frame: style.frame.name }, wardrobe, typesetter)
}

export const fileFormats = {
  svg: {
    make: async (d, o) => {
      const svg = await d.svg(o.words, o.background)
      return new TextEncoder().encode(o.inside ? insideSvg(svg, d.figure) : svg)
    },
  },
  png: {
    make: async (d, o) => {
      const png = o.dpi ? await coded(false, (i) => i.png({ compressionLevel: 9 }))(d, o) : await raster(d, o)
      return 'code' in png || !o.inside ? png : insidePng(png, d.figure)
    },
  },
  jpeg: { make: coded(true, (i) => i.jpeg({ quality: 92, chromaSubsampling: '4:4:4' })) },
  webp: { make: coded(false, (i) => i.webp({ lossless: true })) },
  pdf: {
    make: async (d, o) =>
      (await import('./pdf/figurePdf')).figurePdf([d], {
        ...{ title: d.shown.title || 'Figure', background: o.background, inside: o.inside ? jsonOf : null },
      }),
  },
  pptx: { make: async (d, o) => (await import('./pptx/figureDeck')).figureDeck([d], slideOptions(d, o)) },
  odp: { make: async (d, o) => (await import('./odf/figureOdp')).figureOdp([d], slideOptions(d, o)) },
  json: written((d) => `${JSON.stringify(JSON.parse(jsonOf(d.figure)), null, 2)}\n`),
  md: written(async (d) => (await exchange()).markdownOf(d.shown)),
  opml: written(async (d) => (await exchange()).opmlOf(d.shown)),
  csv: written(async (d) => (await exchange()).csvOfFigure(d.shown)),
  xlsx: { make: async (d) => (await import('./xlsx')).xlsxOf({ Figure: (await exchange()).tableRows(d.shown) }) },
  graphml: written(async (d) => (await exchange()).graphmlOf(d.shown)),
  dot: written(async (d) => (await exchange()).dotOf(d.shown)),
  bpmn: {
    make: async (d) => {
      if (d.shown.kind !== 'process') return { code: 'kind-not-held', format: 'BPMN', kind: 'processes' }
      return new TextEncoder().encode((await exchange()).bpmnOf(d.shown, laned(d)))
    },
  },
} satisfies Record<FormatName, Row>
