/** What a whole folio leaves as, a row each; what makes it is loaded when it is asked for. */
import { insideXml } from '../files/inside'
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
  pdf: { medium: 'document', make: async (p) => (await import('./pdf')).pdfOf(p) },
  docx: { medium: 'document', make: async (p) => (await import('./docx')).docxOf(p) },
  odt: { medium: 'document', make: async (p) => (await import('./odt')).odtOf(p) },
  pptx: {
    medium: 'deck',
    make: async (p) =>
      (await import('../files/pptx/figureDeck')).figureDeck(slides(p), { ...deckOptions(p), titled: p.options.text }),
  },
  odp: {
    medium: 'deck',
    make: async (p) => (await import('../files/odf/figureOdp')).figureOdp(slides(p), deckOptions(p)),
  },
  html: { medium: 'page', make: async (p) => (await import('./html')).htmlOf(p) },
  zip: { medium: 'files', make: async (p) => (await import('./many')).manyFiles(p) },
} satisfies Record<PublicationFormat, Row>
