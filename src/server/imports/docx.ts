import mammoth from 'mammoth'
import { xmlOf } from '@/core/exchange'
import { zipped } from '../files/zipped'
import { blocksOfHtml } from './html'
import type { Left } from './left'
import type { DocBlock } from './markdown'
import { textPart, unzipped } from './safeZip'

const PICTURE = /^word\/media\//
/** Of a document, all but what it shows as pictures. */
const isWanted = (name: string): boolean => !PICTURE.test(name) && !/\.(?:bin|emf|wmf|ttf|odttf)$/i.test(name)

/** Styles that are headings whatever language the program spoke; titles stand above them. */
const STYLES = [
  "p[style-name='Title'] => h1:fresh",
  "p[style-name='Titel'] => h1:fresh",
  "p[style-name='Subtitle'] => p:fresh",
  "p[style-name='Quote'] => p:fresh",
  ...[1, 2, 3, 4, 5, 6].flatMap((n) =>
    ['heading', 'Heading', 'Überschrift', 'Titre', 'Título', 'Titolo', 'Kop', 'Rubrik', 'Nagłówek', 'Overskrift'].map(
      (word) => `p[style-name='${word} ${n}'] => h${n}:fresh`,
    ),
  ),
]

/** Word-processor documents (ISO/IEC 29500-1, 11), by `mammoth`, behind the gate of `safeZip`. */
export async function blocksOfDocx(bytes: Uint8Array, left: Left): Promise<{ title: string; blocks: DocBlock[] }> {
  const parts = unzipped(bytes, isWanted)
  for (const name of Object.keys(parts)) if (/\.(?:xml|rels)$/.test(name)) refuseEntities(textPart(parts, name) ?? '')
  const whole = unzipped(bytes, (name) => /\.bin$/i.test(name) && /vba/i.test(name))
  if (Object.keys(whole).length > 0) left.add('macros')
  const { value } = await mammoth.convertToHtml(
    { buffer: Buffer.from(zipped({ ...parts })) },
    {
      styleMap: STYLES,
      // Bytes of pictures are not read: they are counted where they stand.
      convertImage: mammoth.images.imgElement(() => Promise.resolve({ src: '' })),
      externalFileAccess: false,
    },
  )
  const read = blocksOfHtml(value, left)
  const core = textPart(parts, 'docProps/core.xml')
  return { title: core ? titleOf(core) : '', blocks: read.blocks }
}

function refuseEntities(xml: string): void {
  // The same gate as for all XML; a part that is broken otherwise is mammoth's to say.
  if (/<!(?:DOCTYPE|ENTITY)/i.test(xml.slice(0, 4000))) xmlOf(xml.slice(0, 4000))
}

const titleOf = (xml: string): string => /<dc:title[^>]*>([^<]*)<\/dc:title>/.exec(xml)?.[1]?.trim() ?? ''
