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
import type { PublicationFormat } from './publicationTypes'

type Row = {
  readonly medium: Medium
  readonly make: (publication: Publication) => Promise<Made>
}

const deckOptions = ({ title, options }: Publication) => ({
  ...{ title, glue: options.glue, inside: options.inside ? insideXml : null },
})
const slides = ({ figures }: Publication) => figures.flatMap((f) => f.drawings)

export const publicationFormats = {
  pdf: { medium: 'document', make: pdfOf },
  docx: { medium: 'document', make: docxOf },
  odt: { medium: 'document', make: odtOf },
  pptx: { medium: 'deck', make: async (p) => figureDeck(slides(p), { ...deckOptions(p), titled: p.options.text }) },
  odp: { medium: 'deck', make: async (p) => figureOdp(slides(p), deckOptions(p)) },
  html: { medium: 'page', make: htmlOf },
  zip: { medium: 'files', make: manyFiles },
} satisfies Record<PublicationFormat, Row>
