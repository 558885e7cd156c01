import { english, words, type Hole, type Said, type Words } from '../words'

/** What can be wrong with what came in from outside. A `Problem` is a value; its sentence says what to do next. */
export type Problem =
  | { readonly code: 'text-empty' }
  | { readonly code: 'text-too-long'; readonly length: number; readonly limit: number }
  | { readonly code: 'file-unreadable'; readonly name: string }
  | { readonly code: 'file-unwritable'; readonly name: string }
  | {
      readonly code: 'unknown-option'
      readonly option: string
      readonly given: string
      readonly allowed: readonly string[]
    }
  | { readonly code: 'not-a-figure'; readonly where: string; readonly why: string }
  | { readonly code: 'no-reading'; readonly kind: string | null }
  | { readonly code: 'body-unreadable'; readonly why: string }
  | { readonly code: 'body-too-large'; readonly limit: number }
  | { readonly code: 'update-unreadable' }
  | { readonly code: 'update-gap' }
  | { readonly code: 'update-unsound'; readonly why: string }
  | { readonly code: 'update-too-large'; readonly bytes: number; readonly limit: number }
  | { readonly code: 'not-found'; readonly what: string }
  | { readonly code: 'not-allowed' }
  | { readonly code: 'signed-out' }
  | { readonly code: 'invitation-over' }
  | { readonly code: 'not-invited' }
  | { readonly code: 'invited-otherwise' }
  | { readonly code: 'email-taken' }
  | { readonly code: 'team-needs-owner'; readonly team: string }
  | { readonly code: 'shelf-not-empty' }
  | { readonly code: 'patterns-too-many'; readonly limit: number }
  | { readonly code: 'shelves-too-many'; readonly limit: number }
  | { readonly code: 'remarks-too-many' }
  | { readonly code: 'foreign-origin' }
  | { readonly code: 'foreign-host'; readonly allowed: readonly string[] }
  | { readonly code: 'too-many'; readonly seconds: number }
  | { readonly code: 'draft-failed'; readonly why: string }
  | { readonly code: 'translation-failed'; readonly why: string }
  | { readonly code: 'reader-failed'; readonly name: string; readonly why: string }
  | { readonly code: 'no-reader' }
  | { readonly code: 'source-failed'; readonly name: string; readonly why: string }
  | { readonly code: 'picture-too-large'; readonly pixels: number; readonly limit: number }
  | { readonly code: 'picture-too-slow'; readonly seconds: number }
  | { readonly code: 'no-figures' }
  | { readonly code: 'address-taken-back' }
  | { readonly code: 'token-missing' }
  | { readonly code: 'token-scope'; readonly scope: string }
  /** A format that only some kinds can be written in. */
  | { readonly code: 'kind-not-held'; readonly format: string; readonly kind: string }
  | { readonly code: 'import-unknown'; readonly name: string }
  | { readonly code: 'import-broken'; readonly name: string }
  | { readonly code: 'import-empty'; readonly name: string }
  | { readonly code: 'import-locked'; readonly name: string }
  | { readonly code: 'import-too-many'; readonly name: string; readonly nodes: number; readonly limit: number }
  | { readonly code: 'import-unsound'; readonly name: string; readonly why: string }
  | { readonly code: 'import-too-heavy'; readonly name: string; readonly seconds: number }
  | { readonly code: 'folio-too-heavy' }
  | { readonly code: 'picture-unreadable' }
  | { readonly code: 'picture-too-heavy'; readonly limit: number }
  | { readonly code: 'pictures-too-many'; readonly limit: number }
  | { readonly code: 'sheets-too-many'; readonly limit: number }
  | { readonly code: 'font-unreadable' }
  | { readonly code: 'font-too-heavy'; readonly limit: number }
  /** Its maker does not let it into files. */
  | { readonly code: 'font-closed'; readonly name: string }
  | { readonly code: 'fonts-too-many'; readonly limit: number }
  | { readonly code: 'colours-none' }
  | { readonly code: 'folio-broken' }
  | { readonly code: 'database-away' }
  | { readonly code: 'storage-full' }
  | { readonly code: 'server-fault' }

/** Its facts stand in the holes. */
const sentences: Readonly<Record<Problem['code'], Words>> = {
  'text-empty': words('There is no text yet. Paste or type some words first.'),
  'text-too-long': words(
    'This text has {length, number} characters; a folio holds {limit, number}. Split it into chapters and paste them one by one.',
  ),
  'file-unreadable': words('“{name}” could not be read. Check that it exists and that it is text in UTF-8.'),
  'file-unwritable': words('“{name}” could not be written. Check that its folder exists and may be written to.'),
  'unknown-option': words('There is no {option} “{given}”. Use one of: {allowed}.'),
  'not-a-figure': words(
    'This is not a figure of Idle Compass: {where}: {why}. Compare it with docs/figure.schema.json.',
  ),
  'body-unreadable': words('The request could not be read: {why}.'),
  'body-too-large': words(
    'The request has more than {limit, number} bytes. Send it in smaller parts; nothing was changed.',
  ),
  'update-gap': words(
    'The change builds on others that are not here, so nothing was changed. Reload the page; your words are still in this browser and go out then.',
  ),
  'update-unsound': words(
    'A folio cannot hold this ({why}), so nothing was changed. Undo the last change here; what you write then is saved again.',
  ),
  'update-unreadable': words(
    'The change could not be read, so nothing was changed. Reload the page; your words are still in this browser.',
  ),
  'update-too-large': words(
    'This change has {bytes, number} bytes; one change may have {limit, number}. Undo it and paste the text in smaller parts; what you write then is saved again.',
  ),
  'not-found': words('This {what} is not here. It may have been deleted; look on the shelf.'),
  'not-allowed': words('You may not do this here. Ask whoever shared it with you for more.'),
  'signed-out': words('You are not signed in any more. Sign in again; nothing you wrote is lost.'),
  'invitation-over': words('This invitation is used up or too old. Ask whoever sent it for a new one.'),
  'not-invited': words('Accounts here are made by invitation. Ask somebody who has one.'),
  'invited-otherwise': words('The invitation was sent to another address. Use that one, or ask for a new invitation.'),
  'email-taken': words('There is an account with this address. Sign in, or set a new password.'),
  'team-needs-owner': words(
    '“{team}” would be left without an owner. Make somebody else its owner first, or delete it.',
  ),
  'remarks-too-many': words('A folio holds 2000 remarks. Remove some that are settled.'),
  'shelves-too-many': words('{limit} shelves are as many as there is room for. Put some together.'),
  'patterns-too-many': words('{limit} patterns of your own are as many as there is room for. Remove one first.'),
  'shelf-not-empty': words('There are folios on this shelf. Move them first.'),
  'foreign-origin': words('The request came from another site and was refused. Open Idle Compass at its own address.'),
  'foreign-host': words(
    'This server answers at {allowed} only. Open it there, or name this address in PUBLIC_ADDRESS when it is started.',
  ),
  'too-many': words('Too many requests at once. Try again in {seconds} seconds.'),
  'draft-failed': words(
    'The drafting service gave no text: {why}. Your topic is still here; try again, or write the first lines yourself.',
  ),
  'translation-failed': words(
    'The translation service could not help: {why}. Your words are as they were; write the translations yourself, or try again.',
  ),
  'reader-failed': words(
    '{name} read nothing: {why}. The readings below are untouched; try again, or go on without it.',
  ),
  'source-failed': words(
    'The sheet “{name}” could not be fetched: {why}. The figure keeps the numbers it has; try again, or choose a file.',
  ),
  'no-reader': words('No other reader is configured here. READER_URL names one when the server is started.'),
  'picture-too-large': words(
    'This picture would have {pixels, number} pixels; {limit, number} can be made. Choose a smaller scale.',
  ),
  'folio-too-heavy': words(
    'This folio needs more memory than one file may take. Ask for figures alone, or at a smaller size.',
  ),
  'import-unknown': words(
    '“{name}” is of no sort that is read here. Save it as DOCX, ODT, RTF, HTML, PDF, PPTX, EPUB, CSV, XLSX or plain text and open that.',
  ),
  'import-broken': words(
    '“{name}” is broken or not what its name says. Open it in the program it comes from and save it anew.',
  ),
  'import-empty': words('“{name}” has no text in it. A scan has to be recognised as text first.'),
  'import-locked': words(
    '“{name}” is locked by a password or in the format of an older program. Open it there and save it as DOCX, XLSX or PDF without one.',
  ),
  'import-too-many': words(
    '“{name}” has {nodes} nodes; a figure holds {limit}. Cut it into parts and open them one by one.',
  ),
  'import-unsound': words('“{name}” was refused, since no honest file is like it: {why}. Nothing of it was opened.'),
  'import-too-heavy': words(
    '“{name}” takes more time or memory to read than one file may ({seconds} s). Cut it into parts and open them one by one.',
  ),
  'kind-not-held': words('{format} holds {kind} only. Choose another format, or make the figure one of these first.'),
  'token-missing': words(
    'This needs a token that is still good: send it as “Authorization: Bearer …”. Make one on the shelf, under Access for programs.',
  ),
  'token-scope': words('This token is not allowed to {scope}. Make one that is.'),
  'address-taken-back': words('This picture is not shown here any more: its address was taken back.'),
  'no-figures': words('This folio has no figures yet. Make one first, or choose a document, which has the text.'),
  'picture-too-slow': words(
    'This figure is too dense to be drawn within {seconds} seconds. Remove links, or split it into several figures.',
  ),
  'colours-none': words(
    'No colours were found in this file. Choose a PNG, JPEG, WebP or GIF picture of the logo, a PPTX, DOCX or ODP file with a theme; or type the colours.',
  ),
  'picture-unreadable': words(
    'This file is not a picture that can be read. Save it as PNG, JPEG or WebP and choose it again; nothing was changed.',
  ),
  'picture-too-heavy': words(
    'This picture is too large: {limit, number} bytes and 50 million pixels are the most. Make it smaller and choose it again; nothing was changed.',
  ),
  'pictures-too-many': words(
    'A folio holds {limit, number} pictures. Begin another folio for the rest; nothing was changed.',
  ),
  'sheets-too-many': words(
    'A folio holds {limit, number} sheets of data, older ones included. Begin another folio for the rest; nothing was changed.',
  ),
  'font-unreadable': words(
    'This file is not a font that can be read. Choose an OTF, TTF, WOFF or WOFF2 file of one font; nothing was changed.',
  ),
  'font-too-heavy': words(
    'This font is too large: {limit, number} bytes are the most. Choose one cut down to the scripts you write; nothing was changed.',
  ),
  'font-closed': words(
    'The font “{name}” does not let itself be put into files: its licence bits forbid it. Ask its maker for one that may be embedded, or choose another; nothing was changed.',
  ),
  'fonts-too-many': words(
    'A folio holds {limit, number} fonts. Begin another folio for the rest; nothing was changed.',
  ),
  'folio-broken': words(
    'What is stored of this folio cannot be read in full. Go to the shelf and restore it there to its last good state.',
  ),
  'database-away': words(
    'The database does not answer just now, so nothing was changed there. Wait a moment and try again; words of a folio are kept in this browser.',
  ),
  'storage-full': words(
    'The server’s disk is full, so the last change is not on it yet. Your words are kept in this browser; tell whoever runs this server to make room.',
  ),
  'server-fault': words('The server met a fault of its own; it is in the log. Try again.'),
  'no-reading': words(
    '{kind, select, none {Nothing in this text reads as a figure. Numbered steps, “if … otherwise”, or a list help.} other {The text does not read as {kind}. Leave the kind out to take the best reading.}}',
  ),
}

/** The sentence of a problem, to be told in any language. */
export function problemSaid(p: Problem): Said {
  const { code, ...facts } = p
  const holes = Object.fromEntries(Object.entries(facts).map(([name, fact]) => [name, (fact as Hole | null) ?? 'none']))
  return { says: sentences[code], holes }
}

export const sentenceOf = (p: Problem): string => english(problemSaid(p))

export const isProblemCode = (code: unknown): code is Problem['code'] => typeof code === 'string' && code in sentences
