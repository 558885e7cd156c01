/** Figures as an ODF presentation: a page for each, with its notes. */
import type { Figure } from '@/core/figure'
import { escaped, nativeObjects } from '@/core/formats'
import { passageOf, type Drawing } from '../drawing'
import { installedFont } from '../installedFonts'
import { odfObjects } from './drawing'
import { MARKERS, odfFile, officeXml, pictureStore } from './package'
import { attributes, createStyles, type Styles } from './styles'

export type OdpOptions = {
  readonly title: string
  readonly glue: boolean
  readonly inside: ((figure: Figure) => string) | null
}
const pt = (px: number): string => `${Math.round(px * 75) / 100}pt`

export function figureOdp(drawings: readonly Drawing[], options: OdpOptions): Uint8Array {
  const [first] = drawings
  if (!first) throw new Error('a presentation needs a figure')
  const styles = createStyles()
  const pictures = new Map<string, string>()
  const pages = drawings.map((d, i) => pageXml(d, i, first, options, styles, pictureStore(pictures)))
  const inside = drawings.map((d, i) => [`Figures/figure${i + 1}.xml`, options.inside?.(d.figure) ?? ''] as const)
  return odfFile({
    kind: 'presentation',
    title: options.title,
    language: first.shown.language,
    content: officeXml(
      'content',
      `<office:automatic-styles>${styles.xml()}</office:automatic-styles><office:body><office:presentation>${pages.join('')}</office:presentation></office:body>`,
    ),
    styles: masterXml(first),
    pictures,
    inside: options.inside ? Object.fromEntries(inside) : {},
  })
}

const masterXml = ({ scene }: Drawing): string =>
  officeXml(
    'styles',
    `<office:styles>${MARKERS}</office:styles><office:automatic-styles><style:page-layout style:name="Page"><style:page-layout-properties${attributes(
      {
        ...{ 'fo:margin-top': '0pt', 'fo:margin-bottom': '0pt', 'fo:margin-left': '0pt', 'fo:margin-right': '0pt' },
        ...{ 'fo:page-width': pt(scene.width), 'fo:page-height': pt(scene.height) },
        'style:print-orientation': scene.width >= scene.height ? 'landscape' : 'portrait',
      },
    )}/></style:page-layout></office:automatic-styles><office:master-styles><style:master-page style:name="Figure" style:page-layout-name="Page"/></office:master-styles>`,
  )

function pageXml(
  d: Drawing,
  i: number,
  first: Drawing,
  { glue }: OdpOptions,
  styles: Styles,
  picture: (href: string) => string,
): string {
  const { scene, typesetter, images, style, shown, description } = d
  const scale = Math.min(first.scene.width / scene.width, first.scene.height / scene.height)
  const [x, y] = [(first.scene.width - scene.width * scale) / 2, (first.scene.height - scene.height * scale) / 2]
  const ground = scene.open ? first.style.palette.ground : scene.background
  const page = styles.named(
    'drawing-page',
    `<style:drawing-page-properties presentation:background-visible="true" draw:fill="solid" draw:fill-color="${ground}"/>`,
  )
  const drawn = odfObjects(nativeObjects(scene, { reach: typesetter.reach, ...images }), {
    ...{ styles, reach: typesetter.reach, fontOf: (key) => installedFont(key, style.house) },
    ...{ fit: { scale, x, y }, glue, prefix: `f${i + 1}-`, picture },
  })
  const passage = passageOf(d)
  const notes = [description, ...(passage ? ['', ...passage.split('\n')] : [])]
  const name = shown.title ? escaped(shown.title.slice(0, 60)) : `Figure ${i + 1}`
  return (
    `<draw:page draw:name="${i + 1} ${name}" draw:style-name="${page}" draw:master-page-name="Figure">${drawn}` +
    `<presentation:notes><draw:frame presentation:class="notes" svg:x="57pt" svg:y="360pt" svg:width="480pt" svg:height="380pt"><draw:text-box>${notes.map((n) => `<text:p>${escaped(n)}</text:p>`).join('')}</draw:text-box></draw:frame></presentation:notes></draw:page>`
  )
}
