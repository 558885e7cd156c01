/** A presentation (ISO/IEC 29500-1, 13: PresentationML): one master, one layout, a slide for each figure with its notes. */
import { escaped, type NativeObject, type NativeShape } from '@/core/formats'
import type { FontKey, Palette } from '@/core/style'
import type { InstalledFont } from '../installedFonts'
import { zipped } from '../zipped'
import { objectsXml } from './drawing'
import { colourXml, themeColours, themeXml, type ThemeColours } from './theme'

export type Slide = {
  readonly title: string
  /** Said in the notes: the alt text, then the passage it was read from. */
  readonly notes: readonly string[]
  readonly width: number
  readonly height: number
  /** Null leaves it open. */
  readonly ground: string | null
  readonly objects: readonly NativeObject[]
  readonly palette: Palette
  readonly language: string
  readonly fontOf: (key: FontKey) => InstalledFont
  /** A figure of the slide as JSON, and what it is called in the file. */
  readonly inside: string | null
  /** Which figure it is, and which version: a tag that goes with the slide wherever it is taken. */
  readonly tag: { readonly id: string; readonly version: string } | null
}
export type Deck = {
  readonly title: string
  readonly language: string
  /** px. */
  readonly width: number
  readonly height: number
  readonly style: string
  readonly palette: Palette
  readonly fonts: { readonly heading: InstalledFont; readonly body: InstalledFont }
  readonly reach: (key: FontKey) => { readonly above: number; readonly below: number }
  readonly glue: boolean
  readonly slides: readonly Slide[]
}

const EMU = 9525
const XML = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>\n'
const NS =
  'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" xmlns:p="http://schemas.openxmlformats.org/presentationml/2006/main"'
const REL = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'
const TYPE = 'application/vnd.openxmlformats-officedocument.presentationml'
const MAP =
  'bg1="lt1" tx1="dk1" bg2="lt2" tx2="dk2" accent1="accent1" accent2="accent2" accent3="accent3" accent4="accent4" accent5="accent5" accent6="accent6" hlink="hlink" folHlink="folHlink"'
const TREE = '<p:nvGrpSpPr><p:cNvPr id="1" name=""/><p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr><p:grpSpPr/>'
/** Where figures lie in the file. */
export const figurePart = (n: number): string => `customXml/figure${n}.xml`

type Part = {
  readonly path: string
  readonly type: string | null
  readonly data: string | Uint8Array
  readonly rels?: readonly Rel[]
}
type Rel = { readonly id: string; readonly type: string; readonly target: string }

export function deckFile(deck: Deck): Uint8Array {
  const theme = themeColours(deck.palette)
  const pictures = new Map<string, string>()
  const parts = [
    ...packageParts(deck),
    ...masterParts(deck, theme),
    ...deck.slides.flatMap((s, i) => slideParts(s, i + 1, deck, theme, pictures)),
    ...[...pictures].map(([href, name]): Part => ({ path: `ppt/media/${name}`, type: null, data: bytesOf(href) })),
  ]
  const files: Record<string, string | Uint8Array> = { '[Content_Types].xml': contentTypes(parts) }
  for (const p of parts) {
    files[p.path] = p.data
    if (p.rels) files[p.path.replace(/([^/]+)$/, '_rels/$1.rels')] = relationships(p.rels)
  }
  files['_rels/.rels'] = relationships([
    { id: 'rId1', type: `${REL}/officeDocument`, target: 'ppt/presentation.xml' },
    {
      id: 'rId2',
      type: 'http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties',
      target: 'docProps/core.xml',
    },
    { id: 'rId3', type: `${REL}/extended-properties`, target: 'docProps/app.xml' },
  ])
  return zipped(files)
}

const relationships = (rels: readonly Rel[]): string =>
  `${XML}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${rels
    .map((r) => `<Relationship Id="${r.id}" Type="${r.type}" Target="${r.target}"/>`)
    .join('')}</Relationships>`

const contentTypes = (parts: readonly Part[]): string =>
  `${XML}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Default Extension="png" ContentType="image/png"/><Default Extension="jpeg" ContentType="image/jpeg"/><Default Extension="webp" ContentType="image/webp"/><Default Extension="svg" ContentType="image/svg+xml"/>${parts
    .flatMap((p) => (p.type ? [`<Override PartName="/${p.path}" ContentType="${p.type}"/>`] : []))
    .join('')}</Types>`

const bytesOf = (href: string): Uint8Array => new Uint8Array(Buffer.from(href.slice(href.indexOf(',') + 1), 'base64'))

function packageParts(deck: Deck): Part[] {
  const ids = deck.slides.map((_, i) => `<p:sldId id="${256 + i}" r:id="rId${10 + i}"/>`).join('')
  return [
    {
      path: 'ppt/presentation.xml',
      type: `${TYPE}.presentation.main+xml`,
      data:
        `${XML}<p:presentation ${NS}><p:sldMasterIdLst><p:sldMasterId id="2147483648" r:id="rId1"/></p:sldMasterIdLst>` +
        `<p:notesMasterIdLst><p:notesMasterId r:id="rId2"/></p:notesMasterIdLst><p:sldIdLst>${ids}</p:sldIdLst>` +
        `<p:sldSz cx="${Math.round(deck.width * EMU)}" cy="${Math.round(deck.height * EMU)}"/><p:notesSz cx="6858000" cy="9144000"/></p:presentation>`,
      rels: [
        { id: 'rId1', type: `${REL}/slideMaster`, target: 'slideMasters/slideMaster1.xml' },
        { id: 'rId2', type: `${REL}/notesMaster`, target: 'notesMasters/notesMaster1.xml' },
        { id: 'rId3', type: `${REL}/presProps`, target: 'presProps.xml' },
        { id: 'rId4', type: `${REL}/theme`, target: 'theme/theme1.xml' },
        ...deck.slides.map((_, i) => ({
          id: `rId${10 + i}`,
          type: `${REL}/slide`,
          target: `slides/slide${i + 1}.xml`,
        })),
        ...deck.slides.flatMap((s, i) =>
          s.inside === null
            ? []
            : [{ id: `rIdF${i + 1}`, type: `${REL}/customXml`, target: `../${figurePart(i + 1)}` }],
        ),
      ],
    },
    { path: 'ppt/presProps.xml', type: `${TYPE}.presProps+xml`, data: `${XML}<p:presentationPr ${NS}/>` },
    {
      path: 'docProps/core.xml',
      type: 'application/vnd.openxmlformats-package.core-properties+xml',
      data: `${XML}<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>${escaped(deck.title)}</dc:title><dc:creator>Idle Compass</dc:creator><dc:language>${escaped(deck.language)}</dc:language></cp:coreProperties>`,
    },
    {
      path: 'docProps/app.xml',
      type: 'application/vnd.openxmlformats-officedocument.extended-properties+xml',
      data: `${XML}<Properties xmlns="http://schemas.openxmlformats.org/officeDocument/2006/extended-properties"><Application>Idle Compass</Application><Slides>${deck.slides.length}</Slides></Properties>`,
    },
  ]
}

const box = (x: number, y: number, w: number, h: number): string =>
  `<a:xfrm><a:off x="${Math.round(x)}" y="${Math.round(y)}"/><a:ext cx="${Math.round(w)}" cy="${Math.round(h)}"/></a:xfrm>`
const placeholder = (id: number, name: string, kind: string, place: string): string =>
  `<p:sp><p:nvSpPr><p:cNvPr id="${id}" name="${name}"/><p:cNvSpPr><a:spLocks noGrp="1"/></p:cNvSpPr><p:nvPr><p:ph ${kind}/></p:nvPr></p:nvSpPr><p:spPr>${place}</p:spPr><p:txBody><a:bodyPr/><a:lstStyle/><a:p><a:endParaRPr/></a:p></p:txBody></p:sp>`

function masterParts(deck: Deck, theme: ThemeColours): Part[] {
  const [w, h] = [deck.width * EMU, deck.height * EMU]
  const title = box(w * 0.05, h * 0.04, w * 0.9, h * 0.1)
  const ground = '<p:bg><p:bgPr><a:solidFill><a:schemeClr val="bg1"/></a:solidFill><a:effectLst/></p:bgPr></p:bg>'
  const level = (size: number, at: string) =>
    `<a:lvl1pPr algn="${at}"><a:defRPr sz="${size}"><a:solidFill><a:schemeClr val="tx1"/></a:solidFill><a:latin typeface="+m${at === 'ctr' ? 'j' : 'n'}-lt"/></a:defRPr></a:lvl1pPr>`
  const notes = [
    placeholder(2, 'Slide', 'type="sldImg" idx="2"', box(685_800, 1_143_000, 5_486_400, 3_086_100)),
    placeholder(3, 'Notes', 'type="body" idx="3"', box(685_800, 4_400_550, 5_486_400, 3_600_450)),
  ]
  const themed = (name: string): string => `${XML}${themeXml(name, theme, deck.fonts)}`
  const themeType = 'application/vnd.openxmlformats-officedocument.theme+xml'
  return [
    {
      path: 'ppt/slideMasters/slideMaster1.xml',
      type: `${TYPE}.slideMaster+xml`,
      data:
        `${XML}<p:sldMaster ${NS}><p:cSld>${ground}<p:spTree>${TREE}${placeholder(2, 'Title', 'type="title"', title)}</p:spTree></p:cSld>` +
        `<p:clrMap ${MAP}/><p:sldLayoutIdLst><p:sldLayoutId id="2147483649" r:id="rId1"/></p:sldLayoutIdLst>` +
        `<p:txStyles><p:titleStyle>${level(2800, 'ctr')}</p:titleStyle><p:bodyStyle>${level(1800, 'l')}</p:bodyStyle><p:otherStyle>${level(1800, 'l')}</p:otherStyle></p:txStyles></p:sldMaster>`,
      rels: [
        { id: 'rId1', type: `${REL}/slideLayout`, target: '../slideLayouts/slideLayout1.xml' },
        { id: 'rId2', type: `${REL}/theme`, target: '../theme/theme1.xml' },
      ],
    },
    {
      path: 'ppt/slideLayouts/slideLayout1.xml',
      type: `${TYPE}.slideLayout+xml`,
      data: `${XML}<p:sldLayout ${NS} type="titleOnly"><p:cSld name="Figure"><p:spTree>${TREE}${placeholder(2, 'Title', 'type="title"', title)}</p:spTree></p:cSld><p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:sldLayout>`,
      rels: [{ id: 'rId1', type: `${REL}/slideMaster`, target: '../slideMasters/slideMaster1.xml' }],
    },
    {
      path: 'ppt/notesMasters/notesMaster1.xml',
      type: `${TYPE}.notesMaster+xml`,
      data: `${XML}<p:notesMaster ${NS}><p:cSld><p:bg><p:bgRef idx="1001"><a:schemeClr val="bg1"/></p:bgRef></p:bg><p:spTree>${TREE}${notes.join('')}</p:spTree></p:cSld><p:clrMap ${MAP}/></p:notesMaster>`,
      rels: [{ id: 'rId1', type: `${REL}/theme`, target: '../theme/theme2.xml' }],
    },
    { path: 'ppt/theme/theme1.xml', type: themeType, data: themed(deck.style) },
    { path: 'ppt/theme/theme2.xml', type: themeType, data: themed(`${deck.style}, notes`) },
  ]
}

const joined = (shape: NativeShape): string =>
  (shape.words?.paragraphs ?? []).map((p) => p.runs.map((r) => r.text).join('')).join(' ')

function slideParts(s: Slide, n: number, deck: Deck, theme: ThemeColours, pictures: Map<string, string>): Part[] {
  const scale = Math.min(deck.width / s.width, deck.height / s.height)
  const fit = { scale, x: (deck.width - s.width * scale) / 2, y: (deck.height - s.height * scale) / 2 }
  const rels: Rel[] = [
    { id: 'rId1', type: `${REL}/slideLayout`, target: '../slideLayouts/slideLayout1.xml' },
    { id: 'rId2', type: `${REL}/notesSlide`, target: `../notesSlides/notesSlide${n}.xml` },
  ]
  const picture = (href: string): string => {
    const kind = /^data:image\/(\w+)/.exec(href)?.[1] ?? 'png'
    const name = pictures.get(href) ?? `picture${pictures.size + 1}.${kind}`
    pictures.set(href, name)
    const known = rels.find((r) => r.target === `../media/${name}`)
    if (known) return known.id
    rels.push({ id: `rId${rels.length + 1}`, type: `${REL}/image`, target: `../media/${name}` })
    return `rId${rels.length}`
  }
  const title = s.objects.find(
    (o): o is NativeShape => o.object === 'shape' && o.id === '' && s.title !== '' && joined(o) === s.title,
  )
  const drawn = objectsXml(s.objects, {
    ...{ theme, fontOf: s.fontOf, reach: deck.reach, language: s.language, fit, glue: deck.glue, picture },
    isTitle: (shape) => shape === title,
  })
  const ground = s.ground ?? deck.palette.ground
  if (s.tag) rels.push({ id: 'rIdTag', type: `${REL}/tags`, target: `../tags/tag${n}.xml` })
  const tagged = s.tag ? '<p:custDataLst><p:tags r:id="rIdTag"/></p:custDataLst>' : ''
  return [
    {
      path: `ppt/slides/slide${n}.xml`,
      type: `${TYPE}.slide+xml`,
      data:
        `${XML}<p:sld ${NS}><p:cSld><p:bg><p:bgPr><a:solidFill>${colourXml(ground, theme)}</a:solidFill><a:effectLst/></p:bgPr></p:bg>` +
        `<p:spTree>${TREE}${title ? '' : unseenTitle(s, deck)}${drawn}</p:spTree>${tagged}</p:cSld><p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:sld>`,
      rels,
    },
    {
      path: `ppt/notesSlides/notesSlide${n}.xml`,
      type: `${TYPE}.notesSlide+xml`,
      data: notesXml(s),
      rels: [
        { id: 'rId1', type: `${REL}/notesMaster`, target: '../notesMasters/notesMaster1.xml' },
        { id: 'rId2', type: `${REL}/slide`, target: `../slides/slide${n}.xml` },
      ],
    },
    ...(s.tag ? [tagPart(s.tag, n)] : []),
    ...(s.inside === null ? [] : [{ path: figurePart(n), type: null, data: s.inside }]),
  ]
}

const tagPart = (tag: NonNullable<Slide['tag']>, n: number): Part => ({
  path: `ppt/tags/tag${n}.xml`,
  type: `${TYPE}.tags+xml`,
  data: `${XML}<p:tagLst ${NS}><p:tag name="IDLE_COMPASS_FIGURE" val="${escaped(tag.id)}"/><p:tag name="IDLE_COMPASS_VERSION" val="${tag.version}"/></p:tagLst>`,
})

/** For lists of slides and readers of the screen, above the edge, where a figure shows no title. */
const unseenTitle = (s: Slide, deck: Deck): string =>
  s.title === ''
    ? ''
    : `<p:sp><p:nvSpPr><p:cNvPr id="900000" name="Title"/><p:cNvSpPr/><p:nvPr><p:ph type="title"/></p:nvPr></p:nvSpPr><p:spPr>${box(0, -0.12 * deck.height * EMU, deck.width * EMU, 0.1 * deck.height * EMU)}</p:spPr>` +
      `<p:txBody><a:bodyPr/><a:lstStyle/><a:p><a:r><a:rPr lang="${escaped(s.language)}"/><a:t>${escaped(s.title)}</a:t></a:r></a:p></p:txBody></p:sp>`

const notesXml = (s: Slide): string =>
  `${XML}<p:notes ${NS}><p:cSld><p:spTree>${TREE}` +
  '<p:sp><p:nvSpPr><p:cNvPr id="2" name="Slide"/><p:cNvSpPr><a:spLocks noGrp="1" noRot="1" noChangeAspect="1"/></p:cNvSpPr><p:nvPr><p:ph type="sldImg"/></p:nvPr></p:nvSpPr><p:spPr/></p:sp>' +
  `<p:sp><p:nvSpPr><p:cNvPr id="3" name="Notes"/><p:cNvSpPr><a:spLocks noGrp="1"/></p:cNvSpPr><p:nvPr><p:ph type="body" idx="3"/></p:nvPr></p:nvSpPr><p:spPr/><p:txBody><a:bodyPr/><a:lstStyle/>${s.notes
    .flatMap((text) => text.split('\n'))
    .map(
      (line) =>
        `<a:p>${line ? `<a:r><a:rPr lang="${escaped(s.language)}"/><a:t>${escaped(line)}</a:t></a:r>` : '<a:endParaRPr/>'}</a:p>`,
    )
    .join('')}</p:txBody></p:sp></p:spTree></p:cSld><p:clrMapOvr><a:masterClrMapping/></p:clrMapOvr></p:notes>`
