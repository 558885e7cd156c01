/** What all ODF files share: their package (OASIS ODF 1.3 part 2), namespaces, and what arrows and dashes look like. */
import { escaped } from '@/core/formats'
import { zipped } from '../zipped'

export const NAMESPACES = Object.entries({
  ...{ office: 'office:1.0', style: 'style:1.0', text: 'text:1.0', table: 'table:1.0', draw: 'drawing:1.0' },
  ...{ fo: 'xsl-fo-compatible:1.0', svg: 'svg-compatible:1.0', presentation: 'presentation:1.0', meta: 'meta:1.0' },
})
  .map(([prefix, name]) => ` xmlns:${prefix}="urn:oasis:names:tc:opendocument:xmlns:${name}"`)
  .concat([' xmlns:xlink="http://www.w3.org/1999/xlink"', ' xmlns:dc="http://purl.org/dc/elements/1.1/"'])
  .join('')
const XML = '<?xml version="1.0" encoding="UTF-8"?>\n'

export const officeXml = (element: string, inner: string): string =>
  `${XML}<office:document-${element}${NAMESPACES} office:version="1.3">${inner}</office:document-${element}>`

export const MARKERS =
  '<draw:marker draw:name="Solid" svg:viewBox="0 0 20 24" svg:d="M10 0l-10 24h20z"/>' +
  '<draw:marker draw:name="Open" svg:viewBox="0 0 20 24" svg:d="M10 0l-10 22 3 2 7-16 7 16 3-2z"/>' +
  '<draw:marker draw:name="Dot" svg:viewBox="0 0 20 20" svg:d="M10 0c-5.5 0-10 4.5-10 10s4.5 10 10 10 10-4.5 10-10-4.5-10-10-10z"/>' +
  '<draw:stroke-dash draw:name="Dashes" draw:style="rect" draw:dots1="1" draw:dots1-length="4pt" draw:distance="3.2pt"/>'

export type OdfFile = {
  /** The last word of its media type. */
  readonly kind: 'presentation' | 'text'
  readonly title: string
  readonly language: string
  readonly content: string
  readonly styles: string
  readonly pictures: ReadonlyMap<string, string>
  /** Figures as XML, by their place in the file. */
  readonly inside: Readonly<Record<string, string>>
}

const bytesOf = (href: string): Uint8Array => new Uint8Array(Buffer.from(href.slice(href.indexOf(',') + 1), 'base64'))

export function odfFile(f: OdfFile): Uint8Array {
  const type = `application/vnd.oasis.opendocument.${f.kind}`
  const pictures = Object.fromEntries([...f.pictures].map(([href, name]) => [name, bytesOf(href)]))
  const parts: Record<string, string | Uint8Array> = {
    'content.xml': f.content,
    'styles.xml': f.styles,
    'meta.xml': officeXml(
      'meta',
      `<office:meta><meta:generator>Idle Compass</meta:generator><dc:title>${escaped(f.title)}</dc:title><dc:language>${escaped(f.language)}</dc:language></office:meta>`,
    ),
    ...pictures,
    ...f.inside,
  }
  const entries = Object.keys(parts).map(
    (path) => `<manifest:file-entry manifest:full-path="${path}" manifest:media-type="${mediaTypeOf(path)}"/>`,
  )
  const manifest = `${XML}<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.3"><manifest:file-entry manifest:full-path="/" manifest:version="1.3" manifest:media-type="${type}"/>${entries.join('')}</manifest:manifest>`
  return zipped({ mimetype: type, ...parts, 'META-INF/manifest.xml': manifest }, ['mimetype'])
}

const MEDIA: Readonly<Record<string, string>> = {
  xml: 'text/xml',
  png: 'image/png',
  jpeg: 'image/jpeg',
  svg: 'image/svg+xml',
  webp: 'image/webp',
}
const mediaTypeOf = (path: string): string => MEDIA[path.split('.').at(-1) ?? ''] ?? 'application/octet-stream'

/** Keeps each picture once, and says where. */
export const pictureStore = (pictures: Map<string, string>) => (href: string) => {
  const kind = /^data:image\/(\w+)/.exec(href)?.[1] ?? 'png'
  const name = pictures.get(href) ?? `Pictures/${pictures.size + 1}.${kind}`
  pictures.set(href, name)
  return name
}
