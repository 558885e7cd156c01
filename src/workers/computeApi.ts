/** What the compute worker does, as plain functions: text to readings, figure to scene, a drag to its next picture. */
import { nanoid } from 'nanoid'
import { z } from 'zod'
import { continued } from '@/core/continued'
import { figureOfRows, wardrobeSchema, type Cells, type DoubtAnswers, type Pasted } from '@/core/document'
import { SMALLEST_TEXT, figureSchema, frameTable, inLanguage, withData, type Figure } from '@/core/figure'
import { areaError, arrangementsFor, retyped, withNodeAt, type Placed } from '@/core/layout'
import { type Box, type Point, boxOut, pointIn } from '@/core/geometry'
import { iconsFor, type IconFamily, type IconIndex } from '@/core/icons'
import {
  MissingFont,
  createTypesetter,
  measuredNode,
  type FontFile,
  type SizedLink,
  type Typesetter,
} from '@/core/measure'
import { routedFigure, sceneOf } from '@/core/pipeline'
import type { Finding } from '@/core/proof'
import { proveFigure, proveTogether } from '@/core/prove'
import {
  WORTH_SHOWING,
  answered,
  createSuggest,
  givenFiguresSchema,
  grounded,
  propose,
  type Grounded,
  type Reading,
  type Suggestion,
} from '@/core/propose'
import { englishLexicon, englishWords, readText, type Lexicon, type ReadText } from '@/core/reading'
import { reroute, type Routed } from '@/core/route'
import { scene, sceneChange, type Scene, type SceneChange } from '@/core/scene'
import { fontChain, houseOf, styleOf, treatmentsFor, voices, type FontKey, type Wardrobe } from '@/core/style'
import type { Words } from '@/core/words'
import { drawsTold, queuesTold, runsTold } from './reckon'
import type { OnPart } from './reckonTypes'

/** A passage longer than this is read in parts: it would make a figure nobody can take in. */
export const MAX_PASSAGE = 60_000

const WARM = '1. Check the ramp.\n2. If the ramp is wet, spread sand.\n3. Load the cars.\n4. Close the gate.'

export type Look = {
  readonly arrangement: string
  readonly treatment: string
  readonly name: Words
  readonly dressed: Words
}
export type Pointed = { readonly x: number; readonly y: number }
export type ReadAnswer = {
  readonly readings: readonly Reading[]
  readonly worth: boolean
  readonly interpreted: boolean
  readonly tooLong: boolean
  /** What is known of English sentences is still on its way: lists are read, and more once `loaded` is done. */
  readonly early: boolean
}

/** A kept picture, as it was drawn last, and which drawing that was. */
type Kept = {
  readonly routed: Routed
  readonly scene: Scene
  readonly drawing: number
  readonly wardrobe: Wardrobe
}
/** What is another now than in the kept picture, which was drawn as `of`. */
export type Changed = { readonly of: number; readonly change: SceneChange }

/** A folio to be proved: its text, its figures in the order of the text, what their passages say now, and what a glossary has. */
export type Proving = {
  readonly text: string
  readonly figures: readonly Figure[]
  readonly passages: readonly (readonly [figure: string, text: string | null])[]
  readonly terms: readonly string[]
}

/** Whoever asks for a reading does not wait longer than this for what is still being loaded, where lists can be read without. */
const SOON_MS = 200

/** `loadSyntax` gives the file of the English parser, once, and says meanwhile how much of it is there, from 0 to 1. */
export function createCompute(
  loadFont: (key: FontKey) => Promise<Uint8Array | null>,
  loadSyntax: (arrived: (share: number) => void) => Promise<Uint8Array>,
  loadIcons: () => Promise<IconIndex>,
) {
  const asked = new Map<FontKey, Promise<FontFile>>()
  const kept = new Map<string, Kept>()
  const typesetter = createTypesetter([])
  let lexicon: Promise<Lexicon> | null = null
  let icons: Promise<IconIndex> | null = null
  let arrived: number | null = null
  let suggest: ReturnType<typeof createSuggest> | null = null
  const loadWords = async (): Promise<Lexicon> => {
    try {
      return englishLexicon(await loadSyntax((share) => (arrived = share)))
    } catch (error) {
      // What could not be loaded is asked for again the next time.
      lexicon = null
      throw error
    } finally {
      arrived = null
    }
  }
  const words = () => (lexicon ??= loadWords())
  const iconIndex = () => (icons ??= keptOnce(loadIcons(), () => (icons = null)))
  /** The passage as far as it can be read now: lists and outlines before the parser is there, running text after it. */
  const readSoon = async (passage: string): Promise<ReadText> => {
    const known = await Promise.race([words(), sleep(SOON_MS)])
    if (known) return readText(passage, known)
    const early = readText(passage, englishWords())
    return early.language !== 'en' || early.outline.entries.length > 1 ? early : readText(passage, await words())
  }

  /** Work with the fonts it turns out to need: one that is missing is loaded, and the work begun again. */
  const set = async <T>(figure: Figure, wardrobe: Wardrobe, work: (typesetter: Typesetter) => T): Promise<T> => {
    await load(fontsOf(figure, wardrobe))
    for (;;) {
      try {
        return work(typesetter)
      } catch (error) {
        const key = missingFont(error)
        if (key === null) throw error
        await load([key])
      }
    }
  }
  const load = async (keys: readonly FontKey[]): Promise<void> => {
    const wanted = keys.map((key) => {
      const now = asked.get(key) ?? keptOnce(fontFileOf(key), () => asked.delete(key))
      asked.set(key, now)
      return now
    })
    typesetter.add(await Promise.all(wanted))
  }
  const fontFileOf = async (key: FontKey): Promise<FontFile> => ({ key, data: await loadFont(key) })

  const routedOf = async (figure: Figure, wardrobe: Wardrobe): Promise<Routed> => {
    const [checked, worn] = [figureSchema.parse(figure), wardrobeSchema.parse(wardrobe)]
    return set(checked, worn, (t) => routedFigure(checked, worn, t))
  }
  const draw = async (figure: Figure, wardrobe: Wardrobe): Promise<Scene> => scene(await routedOf(figure, wardrobe))
  const proofs = new Map<string, { readonly of: string; readonly findings: readonly Finding[] }>()
  const proved = async (figure: Figure, wardrobe: Wardrobe): Promise<readonly Finding[]> => {
    const of = JSON.stringify([figure, wardrobe])
    const known = proofs.get(figure.id)
    if (known?.of === of) return known.findings
    const [checked, worn] = [figureSchema.parse(figure), wardrobeSchema.parse(wardrobe)]
    const findings = await set(checked, worn, (t) => proveFigure(checked, worn, t))
    proofs.set(figure.id, { of, findings })
    return findings
  }
  let drawings = 0
  const changed = (before: Kept, now: Routed): Changed => ({
    of: before.drawing,
    change: sceneChange(before.routed, now, before.scene.fit),
  })

  return {
    /** Reads and draws a few words nobody sees, so that fonts are loaded and code is compiled before somebody waits. */
    warm: async (wardrobe: Wardrobe): Promise<void> => {
      for (const reading of propose(readText(WARM, await words())))
        for (const { id } of arrangementsFor(reading.figure))
          await draw({ ...reading.figure, arrangement: id }, wardrobe)
    },
    /** `answers`: what was answered to doubts before, by the question. */
    read: async (text: string, answers: DoubtAnswers = {}): Promise<ReadAnswer> => {
      const passage = z.string().parse(text)
      if (passage.length > MAX_PASSAGE)
        return { readings: [], worth: false, interpreted: false, tooLong: true, early: false }
      const read = await readSoon(passage)
      const readings = propose(read).map((r) => answered(r, answers))
      return {
        readings,
        worth: (readings[0]?.score ?? 0) >= WORTH_SHOWING,
        interpreted: read.interpreted,
        tooLong: false,
        early: read.language === 'en' && !read.interpreted,
      }
    },
    /** Done when everything that reading needs is there. */
    loaded: async (): Promise<void> => {
      await words()
    },
    /** How much of it has come in, from 0 to 1; null where nothing is on its way. */
    arrived: async (): Promise<number | null> => arrived,
    /** What another reader, called `by`, gave for a passage, as far as the passage bears it out. */
    ground: async (text: string, given: unknown, by: string): Promise<Grounded> =>
      grounded(readText(z.string().max(MAX_PASSAGE).parse(text), await words()), givenFiguresSchema.parse(given), by),
    suggest: async (text: string): Promise<Suggestion[]> =>
      (suggest ??= createSuggest(await words()))(z.string().parse(text)),
    /** The arrangements worth offering for a figure. */
    arrangements: async (figure: Figure) => arrangementsFor(figure).map(({ id, name }) => ({ id, name })),
    /** The treatments that suit a figure as it is arranged, and which of them it is drawn in. */
    treatments: async (figure: Figure, wardrobe: Wardrobe) => ({
      drawn: styleOf(figure, wardrobe).treatment.id,
      list: treatmentsFor(figure).map(({ id, name }) => ({ id, name })),
    }),
    /** Icons for some words in a family of drawings, best first. */
    icons: async (words: string, family: IconFamily): Promise<readonly string[]> =>
      iconsFor(words, await iconIndex(), family),
    /** The best icon for each of these, null where none speaks for it. */
    bestIcons: async (labels: readonly string[], family: IconFamily): Promise<readonly (string | null)[]> => {
      const index = await iconIndex()
      return labels.map((l) => iconsFor(l, index, family, 1)[0] ?? null)
    },
    /** Every arrangement in every treatment but that of the house style: those of the figure's own arrangement first. */
    looks: async (figure: Figure, wardrobe: Wardrobe): Promise<readonly Look[]> =>
      arrangementsFor(figure)
        .toSorted((a, b) => Number(b.id === figure.arrangement) - Number(a.id === figure.arrangement))
        .flatMap((a) => {
          const arranged = { ...figure, arrangement: a.id }
          const own = styleOf(arranged, wardrobe).treatment.id
          return treatmentsFor(arranged)
            .filter((t) => t.id !== own)
            .map((t) => ({ arrangement: a.id, treatment: t.id, name: a.name, dressed: t.name }))
        }),
    /** What is wrong with the figures of a folio, which come in the order of the text; those that are as they were are not
     *  looked at again. */
    prove: async (folio: Proving, wardrobe: Wardrobe): Promise<Finding[]> => {
      const alone: Finding[] = []
      for (const figure of folio.figures) alone.push(...(await proved(figure, wardrobe)))
      for (const id of proofs.keys()) if (!folio.figures.some((f) => f.id === id)) proofs.delete(id)
      const lexicon = folio.figures.some((f) => f.kind === 'venn') ? await words() : null
      const reread = (text: string, kind: Figure['kind']) =>
        (lexicon && propose(readText(text.slice(0, MAX_PASSAGE), lexicon)).find((r) => r.kind === kind)?.figure) ?? null
      return [...alone, ...proveTogether({ ...folio, passages: new Map(folio.passages), reread })]
    },
    /** How far the areas of sets are off where they are drawn to scale; null where they cannot be. */
    areaError: async (figure: Figure): Promise<number | null> => areaError(figureSchema.parse(figure)),
    /** Runs of a process, and what they took. */
    runs: async (figure: Figure, onPart?: OnPart) => runsTold(figure, onPart),
    /** Trials of the queues in a process. */
    queues: async (figure: Figure) => queuesTold(figure),
    /** What a decision may come to, its numbers being ranges. */
    draws: async (figure: Figure, onPart?: OnPart) => drawsTold(figure, onPart),
    /** The picture of a figure. */
    draw,
    /** The picture of a figure that is kept under its id, so that a drag or typing can go on from it. */
    drawKept: async (
      figure: Figure,
      wardrobe: Wardrobe,
    ): Promise<{ readonly scene: Scene; readonly drawing: number }> => {
      const routed = await routedOf(figure, wardrobe)
      const now = { routed, scene: scene(routed), drawing: ++drawings, wardrobe }
      kept.set(figure.id, now)
      return { scene: now.scene, drawing: now.drawing }
    },
    /** A figure out of rows, as an edit on one that has none yet. */
    figureOfRows: async (figure: Figure, cells: Cells): Promise<Pasted> => figureOfRows(figure, cells, () => nanoid(8)),
    /** The figure in parts whose words are large enough for its frame; null where no cut helps. */
    continued: async (figure: Figure, wardrobe: Wardrobe): Promise<Figure[] | null> => {
      const checked = figureSchema.parse(figure)
      return set(checked, wardrobe, (t) =>
        continued(checked, (part) => {
          const least = SMALLEST_TEXT[frameTable[part.frame].medium] - 0.05
          return (sceneOf(part, wardrobe, t).smallestText ?? least) >= least
        }),
      )
    },
    /** The kept picture with the words of one node as they are being typed, where there is room for them; else null. */
    typed: async (figure: Figure, node: string): Promise<Changed | null> => {
      const before = kept.get(figure.id)
      if (!before) return null
      const { routed } = before
      // What is typed is not what is shown, where that is a translation.
      if (withData(inLanguage(figure, figure.shownIn ?? before.wardrobe.language)) !== figure) return null
      const sized = await set(figure, before.wardrobe, (t) =>
        measuredNode(figure, node, routed.style, routed.shared, t),
      )
      const placed = sized && retyped(routed, sized)
      if (!placed) return null
      const box = (p: Placed) => JSON.stringify(p.nodes.find((n) => n.id === node)?.box)
      // Where the shape has not grown, no line need be led anew.
      const now =
        box(placed) === box(routed)
          ? { ...routed, nodes: placed.nodes }
          : reroute(placed, routed.routes, new Set([node]))
      return changed(before, now)
    },
    /** How a new link between two nodes would run in the kept picture, in px of the frame; null where it has none. */
    led: async (id: string, from: string, to: string): Promise<readonly Point[] | null> => {
      const before = kept.get(id)
      if (!before) return null
      const { routed, scene: drawn } = before
      const link: SizedLink = {
        id: 'new',
        from,
        to,
        beside: false,
        cross: false,
        best: false,
        label: null,
        look: {},
        heldRoute: null,
      }
      const { routes } = reroute({ ...routed, links: [...routed.links, link] }, routed.routes, new Set())
      const points = routes.find((r) => r.id === link.id)?.points ?? null
      return points && points.map((p) => pointIn(p, drawn.fit))
    },
    /** The kept picture of a figure with the top left corners of some nodes at places of the frame; only what touches them
     *  is led anew. */
    drag: async (
      id: string,
      moved: Readonly<Record<string, Pointed>>,
    ): Promise<(Changed & { readonly held: Readonly<Record<string, Box>> }) | null> => {
      const before = kept.get(id)
      if (!before) return null
      const { fit } = before.scene
      const held = Object.fromEntries(
        before.routed.nodes.flatMap((n): [string, Box][] => {
          const at = moved[n.id]
          if (!at) return []
          const size = { width: n.width * fit.scale, height: n.height * fit.scale }
          return [[n.id, { ...boxOut({ ...at, ...size }, fit), width: n.width, height: n.height }]]
        }),
      )
      const placed = Object.entries(held).reduce<Placed>((p, [id, box]) => withNodeAt(p, id, box), before.routed)
      const routed = reroute(placed, before.routed.routes, new Set(Object.keys(held)))
      return { ...changed(before, routed), held }
    },
  }
}

/** What could not be loaded is asked for again the next time. */
const keptOnce = async <T>(loading: Promise<T>, forget: () => void): Promise<T> => {
  try {
    return await loading
  } catch (error) {
    forget()
    throw error
  }
}

const sleep = (ms: number): Promise<null> => new Promise((done) => setTimeout(() => done(null), ms))

/** What each voice of a figure is set in; characters that those lack are asked for when they turn up. */
function fontsOf(figure: Figure, wardrobe: Wardrobe): FontKey[] {
  const house = houseOf(figure, wardrobe)
  const { typeface } = figure.dress
  const chains = voices.map((v) => fontChain(typeface ?? house.type, v, figure.language, typeface ? {} : house.fonts))
  return [...new Set(chains.flatMap((chain) => chain.slice(0, 1)))]
}

/** The font that a failed stage lacked; null when it failed for another reason. */
function missingFont(error: unknown): FontKey | null {
  if (error instanceof MissingFont) return error.key
  return error instanceof Error && error.cause !== undefined ? missingFont(error.cause) : null
}

export type Compute = ReturnType<typeof createCompute>
