/** What a whole folio leaves as, by media type: apart from what makes it, which is large. */
export const publicationTypes = {
  pdf: 'application/pdf',
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  pptx: 'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  odp: 'application/vnd.oasis.opendocument.presentation',
  html: 'text/html',
  zip: 'application/zip',
} as const

export type PublicationFormat = keyof typeof publicationTypes
export const publicationFormatNames = Object.keys(publicationTypes) as PublicationFormat[]
