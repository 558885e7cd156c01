/** What a whole folio leaves as, a row each. */
import { figureOdp } from '../files/odf/figureOdp'
import { insideXml } from '../files/inside'
import { figureDeck } from '../files/pptx/figureDeck'
import { docxOf } from './docx'
import { htmlOf } from './html'
import { manyFiles } from './many'
import { odtOf } from './odt'
import { pdfOf } from './pdf'
import type { Made, Medium, Publication } from './publication'

type Row = {
  readonly type: string
  readonly medium: Medium
  readonly make: (publication: Publication) => Promise<Made>
}

const deckOptions = ({ title, options }: Publication) => ({
  ...{ title, glue: options.glue, inside: options.inside ? insideXml : null },
})
const slides = ({ figures }: Publication) => figures.flatMap((f) => f.drawings)

export const publicationFormats = {
  pdf: { type: 'application/pdf', medium: 'document', make: pdfOf },
  docx: {
    type: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
    medium: 'document',
    make: docxOf,
  },
  odt: { type: 'application/vnd.oasis.opendocument.text', medium: 'document', make: odtOf },
  pptx: {
    type: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
    medium: 'deck',
    make: async (p) => figureDeck(slides(p), { ...deckOptions(p), titled: p.options.text }),
  },
  odp: {
    type: 'application/vnd.oasis.opendocument.presentation',
    medium: 'deck',
    make: async (p) => figureOdp(slides(p), deckOptions(p)),
  },
  html: { type: 'text/html', medium: 'page', make: htmlOf },
  zip: { type: 'application/zip', medium: 'files', make: manyFiles },
} satisfies Record<string, Row>

export type PublicationFormat = keyof typeof publicationFormats
export const publicationFormatNames = Object.keys(publicationFormats) as PublicationFormat[]
