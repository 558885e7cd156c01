/** The fields of a figure, checked wherever one comes in from outside; the types and the published JSON Schema follow. */
import * as z from 'zod/mini'
import {
  MAX_LANGUAGES,
  MAX_NODES,
  MAX_NODE_TEXT,
  MAX_NOTES,
  colourings,
  connectorForms,
  figureKinds,
  frames,
  grounds,
  labelPlaces,
  lineColours,
  linkRoles,
  margins,
  nodeRoles,
  typefaces,
} from './vocabulary'

const id = z.string().check(z.minLength(1), z.maxLength(64))
const words = z.string().check(z.maxLength(MAX_NODE_TEXT))
const short = (most: number) => z.string().check(z.maxLength(most))
const finite = z.number().check(z.gte(-1e6), z.lte(1e6))
const extent = z.number().check(z.gte(1), z.lte(10_000))
const offset = z.int().check(z.nonnegative())
const span = z.readonly(z.object({ start: offset, end: offset }))
const spans = z.readonly(z.array(span))
const point = z.readonly(z.object({ x: finite, y: finite }))
const box = z.readonly(z.object({ x: finite, y: finite, width: finite, height: finite }))
/** A well-formed tag of BCP 47 (RFC 5646, 2.1), without looking up whether its parts are registered. */
const language = z
  .string()
  .check(z.maxLength(35), z.regex(/^(?:[a-z]{2,8}|[xi](?=-))(?:-[a-z0-9]{1,8})*$/i, 'no language tag of BCP 47'))
/** A colour of the house style by what it is for, or by its place in the series; or one of one's own. */
const paint = z.string().check(z.regex(/^(?:tone:[a-z]{1,12}|series:\d{1,2}|none|#[0-9a-f]{6})$/i, 'no colour'))
const part = z.number().check(z.gte(0), z.lte(1))
/** What a person has made of one node or link that else looks as its house style and treatment have it. */
const look = z.readonly(
  z.object({
    fill: z.optional(paint),
    line: z.optional(paint),
    shape: z.optional(short(32)),
    /** Times the thickness it would have. */
    thickness: z.optional(z.number().check(z.gte(0), z.lte(8))),
    dashed: z.optional(z.boolean()),
    opacity: z.optional(part),
    /** Steps of the size of its words, up or down. */
    step: z.optional(z.int().check(z.gte(-3), z.lte(5))),
    bold: z.optional(z.boolean()),
    align: z.optional(z.enum(['start', 'middle'])),
    /** What is at the end of a link. */
    ends: z.optional(z.enum(['solid', 'open', 'dot', 'none'])),
    /** Where on a link its words stand. */
    place: z.optional(z.enum(labelPlaces)),
  }),
)

/** An uploaded picture by the hash of its bytes (SHA-256, hexadecimal), with its size in pixels. */
const picture = z.readonly(
  z.object({
    hash: z.string().check(z.regex(/^[0-9a-f]{64}$/, 'no hash of a picture')),
    width: z.int().check(z.gte(1), z.lte(20_000)),
    height: z.int().check(z.gte(1), z.lte(20_000)),
    /** What it shows, for those who do not see it. */
    alt: z.optional(words),
  }),
)

export const nodeSchema = z.readonly(
  z.object({
    id,
    role: z.enum(nodeRoles),
    text: words,
    /** A line under the text: the detail of a point, the note of a step. */
    detail: z.optional(words),
    /** Place among the nodes as the text gives them; ties are broken by id. */
    order: finite,
    actor: z.optional(words),
    memberOf: z.optional(z.readonly(z.array(id))),
    /** `low` and `high`, where it may be anything between them and `value` is the likeliest. */
    measure: z.optional(
      z.readonly(
        z.object({ value: z.number(), unit: short(32), low: z.optional(z.number()), high: z.optional(z.number()) }),
      ),
    ),
    duration: z.optional(words),
    /** `family/name` of one that ships, or an own one by its hash. */
    icon: z.optional(short(80)),
    picture: z.optional(picture),
    fields: z.optional(z.readonly(z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])))),
    /** The words of the passage that this node came from. */
    source: spans,
    inset: z.optional(id),
    look: z.optional(look),
    /** As large as a person made it, in layout px, where its words need no more. */
    size: z.optional(z.readonly(z.object({ width: extent, height: extent }))),
    /** Drawn before those with less, where shapes lie on each other. */
    lift: z.optional(z.int().check(z.gte(-9999), z.lte(9999))),
    /** Where a person put the node, in layout px; layout leaves it there. */
    held: z.optional(box),
  }),
)

export const linkSchema = z.readonly(
  z.object({
    id,
    role: z.enum(linkRoles),
    from: id,
    to: id,
    text: z.optional(words),
    /** Between 0 and 1. */
    probability: z.optional(z.number().check(z.gte(0), z.lte(1))),
    order: finite,
    source: spans,
    look: z.optional(look),
    heldRoute: z.optional(z.readonly(z.array(point))),
  }),
)

/** A free remark or call-out in the figure. */
export const noteSchema = z.readonly(
  z.object({
    id,
    text: words,
    /** What it speaks of: a node or link, a region by its sets; null for the figure as a whole. */
    about: z.nullable(
      z.union([z.readonly(z.object({ part: id })), z.readonly(z.object({ region: z.readonly(z.array(id)) }))]),
    ),
    /** Where a person put its middle, in layout px from the middle of what it speaks of. */
    off: z.optional(point),
  }),
)

/** How a picture departs from the plain style to fit its frame: factors of wrapping and of gaps, and into how many columns
 *  or rows a flow is folded, and in which order its layers stand. */
const fitting = z.readonly(
  z.object({
    wrap: z.number().check(z.gte(0.1), z.lte(10)),
    gap: z.number().check(z.gte(0.1), z.lte(10)),
    fold: z.int().check(z.gte(1), z.lte(20)),
    /** Which of several orders of the same layers is taken. */
    order: z._default(z.int().check(z.gte(0), z.lte(9)), 0),
  }),
)
const placesSchema = z.readonly(
  z.object({
    /** Which way of drawing they are good for. */
    key: short(200),
    fitting,
    /** Where each column or row of a folded flow begins, in layout px. */
    starts: z.readonly(z.array(finite)),
    /** By node, and by bar of parallel branches. */
    boxes: z.readonly(z.record(short(80), box)),
  }),
)

/** What a figure was as another kind, so that switching back finds all of it: what of it the kinds in between cannot hold. */
const asideSchema = z.readonly(
  z.object({
    title: words,
    arrangement: short(32),
    nodes: z.readonly(z.record(id, nodeSchema)),
    links: z.readonly(z.record(id, linkSchema)),
    /** What the switch made of the nodes; where somebody has changed it since, the change stays. */
    became: z.readonly(z.record(id, nodeSchema)),
    titled: words,
  }),
)

/** A label in another language. */
const wording = z.readonly(
  z.object({
    text: words,
    /** The words it is a translation of: others stand there when it is out of date. */
    of: words,
    /** Made by a service, and not yet looked at. */
    offered: z.optional(z.boolean()),
  }),
)

/** How a column of data is shown. */
const show = z.readonly(
  z.object({
    column: short(80),
    as: z.enum(['colour', 'words', 'badge', 'icon', 'chart', 'size', 'thickness']),
    /** Of small charts: the columns that have a bar beside that of the first. */
    beside: z.optional(z.readonly(z.array(short(80)).check(z.maxLength(5)))),
    /** Of icons: one for each stretch, as nodes name theirs; empty for none. */
    icons: z.optional(z.readonly(z.array(short(80)).check(z.maxLength(24)))),
    /** Of words: `{column} min a run`. */
    template: z.optional(short(120)),
    /** Where one stretch of values ends and the next begins; an even scale where there are none. */
    steps: z.optional(z.readonly(z.array(z.number()).check(z.maxLength(8)))),
    /** What the stretches are called. */
    names: z.optional(z.readonly(z.array(short(60)).check(z.maxLength(9)))),
  }),
)
/** The sheet whose rows are tied to the nodes; what they say is kept in the nodes. */
const data = z.readonly(
  z.object({
    /** The same for all figures that show the sheet, whatever its rows say now. */
    sheet: id,
    name: short(120),
    /** Of its CSV (SHA-256, hexadecimal). */
    hash: z.string().check(z.regex(/^[0-9a-f]{64}$/, 'no hash of a sheet')),
    /** The day it is of: ISO 8601. */
    at: short(32),
    /** The name of the configured address that it is fetched from, where it is. */
    from: z.optional(short(60)),
    /** The column that says which node a row is about, and those that are shown. */
    key: short(80),
    columns: z.readonly(z.array(short(80)).check(z.maxLength(24))),
    /** By node, what stands in the key column of a row that somebody said is about it, though the words differ. */
    agreed: z.optional(z.readonly(z.record(id, short(2000)))),
  }),
)

const figureFields = z.readonly(
  z.object({
    id,
    kind: z.enum(figureKinds),
    title: words,
    altText: z.optional(words),
    /** Below the picture, where somebody has written one. */
    caption: z.optional(words),
    /** Where it comes from, in a line of its own at the foot. */
    sourceLine: z.optional(words),
    language,
    nodes: z.readonly(z.record(id, nodeSchema)),
    links: z.readonly(z.record(id, linkSchema)),
    notes: z.optional(z.readonly(z.record(id, noteSchema))),
    /** By language, then by label. */
    wordings: z.optional(z.readonly(z.record(language, z.readonly(z.record(short(90), wording))))),
    /** The language it is shown in, where not in its own or in that of the folio. */
    shownIn: z.optional(language),
    arrangement: short(32),
    /** The node a person has put in the middle, where an arrangement has one. */
    focus: z.optional(id),
    frame: z.enum(frames),
    /** As its folio has it, where it names none that there is. */
    houseStyle: short(64),
    dress: z.readonly(
      z.object({
        /** As the house style has it, where nothing is said; so with all that follows. */
        typeface: z.optional(z.enum(typefaces)),
        connectors: z.optional(z.enum(connectorForms)),
        lineColour: z.optional(z.enum(lineColours)),
        treatment: z.optional(short(32)),
        colouring: z.optional(z.enum(colourings)),
        /** How the figure departs from the feel of its house style. */
        feel: z.optional(
          z.readonly(
            z.object({
              hand: z.optional(z.enum(['crisp', 'drawn'])),
              depth: z.optional(part),
              space: z.optional(z.number().check(z.gte(0.3), z.lte(3))),
              fill: z.optional(z.enum(['tint', 'solid', 'open'])),
            }),
          ),
        ),
        ground: z.optional(z.enum(grounds)),
        /** Numbers where a treatment has them. */
        numbered: z.optional(z.boolean()),
        /** The title stands above the picture. */
        titled: z.optional(z.boolean()),
        /** Its number in the folio stands before its caption. */
        counted: z.optional(z.boolean()),
        /** Without the logo of its house style. */
        unsigned: z.optional(z.boolean()),
        margins: z.optional(z.enum(margins)),
      }),
    ),
    /** Where the nodes stood before the last change made by hand: the next picture leaves them there as far as it can. */
    places: z.optional(placesSchema),
    /** Of an inset: the links that led into and out of its nodes before they became a figure of their own; `free` where
     *  nothing else within led there, or on from there. */
    outer: z.optional(z.readonly(z.record(id, z.readonly(z.object({ link: linkSchema, free: z.boolean() }))))),
    data: z.optional(data),
    shows: z.optional(z.readonly(z.array(show).check(z.maxLength(8)))),
    /** How often a process is begun, as somebody wrote it: “6 per hour”. */
    intake: z.optional(short(64)),
    /** How many there are of those who act in it; one of each, where nothing is said. */
    people: z.optional(z.readonly(z.record(words, z.int().check(z.gte(1), z.lte(9999))))),
    /** Faults that somebody leaves as they are, by what the proof calls them, with the reason. */
    setAside: z.optional(z.readonly(z.record(short(200), words))),
    /** By kind: the figure as it was before its kind was switched. */
    aside: z.optional(z.readonly(z.partialRecord(z.enum(figureKinds), asideSchema))),
    /** The stretch of `wasRead.text` that the figure was read from; null for a figure that was never read. */
    passage: z.nullable(span),
    /** The figure as its text gave it. Spans of nodes and links are offsets into this text. */
    wasRead: z.readonly(
      z.object({
        text: z.string(),
        nodes: z.readonly(z.record(id, words)),
        links: z.readonly(z.record(id, z.readonly(z.tuple([id, id, words])))),
      }),
    ),
  }),
)

/** What the fields alone cannot say: ids are their keys, links have both ends, a figure has a size. */
export const figureSchema = figureFields.check(
  z.superRefine((figure, context) => {
    const fault = (path: string[], message: string) => context.addIssue({ code: 'custom', path, message })
    if (Object.keys(figure.nodes).length > MAX_NODES) fault(['nodes'], `more than ${MAX_NODES} nodes`)
    const notes = Object.entries(figure.notes ?? {})
    if (Object.keys(figure.wordings ?? {}).length > MAX_LANGUAGES)
      fault(['wordings'], `more than ${MAX_LANGUAGES} languages`)
    if (notes.length > MAX_NOTES) fault(['notes'], `more than ${MAX_NOTES} notes`)
    for (const [id, note] of notes) if (id !== note.id) fault(['notes', id], 'id differs from its key')
    for (const [key, node] of Object.entries(figure.nodes))
      if (key !== node.id) fault(['nodes', key], 'id differs from its key')
    for (const [key, link] of Object.entries(figure.links)) {
      if (key !== link.id) fault(['links', key], 'id differs from its key')
      for (const end of ['from', 'to'] as const)
        if (!Object.hasOwn(figure.nodes, link[end])) fault(['links', key, end], `there is no node ${link[end]}`)
    }
  }),
)

export type Aside = z.infer<typeof asideSchema>
export type Fitting = z.infer<typeof fitting>
export type PlacesFields = z.infer<typeof placesSchema>
export type FigureFields = z.infer<typeof figureSchema>
export type NodeFields = z.infer<typeof nodeSchema>
export type PictureFields = z.infer<typeof picture>
export type NoteFields = z.infer<typeof noteSchema>
export type WordingFields = z.infer<typeof wording>
export type Show = z.infer<typeof show>
export type LookFields = z.infer<typeof look>
export type LinkFields = z.infer<typeof linkSchema>
