/** The command line over the same core as the page. Exit status: 0 done, 1 unusable input (a sentence on standard error
 *  says what to do), 2 wrong call. */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { z } from 'zod'
import { figureKinds, figureSchema, frames, type Figure, type FigureKind, type FrameName } from '@/core/figure'
import { arrangementsOf } from '@/core/layout'
import { STANDARD_STYLE, houseStyles, plainWardrobe, treatmentsFor } from '@/core/style'
import { sentenceOf, type Problem } from '@/core/problem'
import { propose, type Reading } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { formatNames, plainOptions } from '@/server/files/fileTypes'
import { NOTHING_BROUGHT, figureFile } from '@/server/figureFile'

const USAGE = `idle-compass read <file|-> [--kind K] [--json]
idle-compass read --jsonl < in > out
idle-compass draw <file|-> [--kind K] [--arrangement A] [--frame F] [--style S] [--treatment T] [--dark] [--scale N] [--transparent] -o out.{svg,png,json}

  kinds   ${figureKinds.join(' ')}
  frames  ${frames.join(' ')}
`
const formats = [...formatNames, 'json'] as const

type Streams = {
  readonly stdout: { write: (s: string) => unknown }
  readonly stderr: { write: (s: string) => unknown }
}

/** Thrown for input that cannot be used; `main` prints its sentence. */
class Unusable extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
  }
}

export async function main(argv: readonly string[], streams: Streams): Promise<number> {
  const call = parsed(argv)
  if (!call) {
    streams.stderr.write(USAGE)
    return 2
  }
  try {
    const { command, file, options } = call
    if (command === 'read' && options.jsonl) readLines(streams)
    else if (command === 'read') read(file as string, options, streams)
    else await draw(file as string, options)
    return 0
  } catch (error) {
    if (!(error instanceof Unusable)) throw error
    streams.stderr.write(`${sentenceOf(error.problem)}\n`)
    return 1
  }
}

const flags = {
  kind: { type: 'string' },
  arrangement: { type: 'string' },
  style: { type: 'string' },
  treatment: { type: 'string' },
  frame: { type: 'string' },
  output: { type: 'string', short: 'o' },
  scale: { type: 'string' },
  json: { type: 'boolean' },
  jsonl: { type: 'boolean' },
  dark: { type: 'boolean' },
  transparent: { type: 'boolean' },
} as const
type Options = ReturnType<typeof parseArgs<{ options: typeof flags; allowPositionals: true }>>['values']
type Call = { readonly command: 'read' | 'draw'; readonly file: string | undefined; readonly options: Options }

function parsed(argv: readonly string[]): Call | null {
  try {
    const { values, positionals } = parseArgs({ args: [...argv], options: flags, allowPositionals: true })
    const [command, file, ...rest] = positionals
    const complete =
      command === 'read'
        ? file !== undefined || values.jsonl
        : command === 'draw' && file !== undefined && values.output !== undefined
    return complete && rest.length === 0 ? { command: command as Call['command'], file, options: values } : null
  } catch {
    // parseArgs throws on an unknown option: a wrong call, answered with the usage.
    return null
  }
}

function textOf(file: string): string {
  let text: string
  try {
    text = decoded(readFileSync(file === '-' ? 0 : file))
  } catch {
    // Not there, a folder, not ours to read, or no text: one sentence says what to look at.
    throw new Unusable({ code: 'file-unreadable', name: file === '-' ? 'standard input' : file })
  }
  if (text.trim() === '') throw new Unusable({ code: 'text-empty' })
  if (text.length > MAX_MANUSCRIPT)
    throw new Unusable({ code: 'text-too-long', length: text.length, limit: MAX_MANUSCRIPT })
  return text
}

/** Bytes as text: UTF-8, or UTF-16 where its mark stands first. Throws for bytes that are neither. */
function decoded(bytes: Uint8Array): string {
  const mark = [...bytes.subarray(0, 2)].map((b) => b.toString(16)).join('')
  const encoding = mark === 'fffe' ? 'utf-16le' : mark === 'feff' ? 'utf-16be' : 'utf-8'
  const text = new TextDecoder(encoding, { fatal: true }).decode(bytes)
  if (text.includes('\0')) throw new Error('binary')
  return text
}

function write(file: string, data: string | Uint8Array): void {
  try {
    writeFileSync(file, data)
  } catch {
    throw new Unusable({ code: 'file-unwritable', name: file })
  }
}

const oneOf = <T extends string>(option: string, given: string | undefined, allowed: readonly T[]): T | null => {
  if (given === undefined) return null
  const found = allowed.find((a) => a === given)
  if (!found) throw new Unusable({ code: 'unknown-option', option, given, allowed })
  return found
}

const readingsOf = (text: string, kind: FigureKind | null): Reading[] =>
  propose(readText(text, shippedLexicon())).filter((r) => kind === null || r.kind === kind)

function read(file: string, options: Options, streams: Streams): void {
  const readings = readingsOf(textOf(file), oneOf('kind', options.kind, figureKinds))
  if (options.json) return void streams.stdout.write(`${JSON.stringify({ readings }, null, 2)}\n`)
  if (readings.length === 0) throw new Unusable({ code: 'no-reading', kind: options.kind ?? null })
  for (const r of readings) {
    const { taken, of, left } = r.coverage
    streams.stdout.write(`${r.kind}  ${r.score.toFixed(2)}  ${r.reasons.join('; ')}  (${taken} of ${of})\n`)
    for (const n of Object.values(r.figure.nodes)) {
      const out = Object.values(r.figure.links).filter((l) => l.from === n.id)
      streams.stdout.write(
        `  ${n.id} ${n.text}${n.actor ? ` [${n.actor}]` : ''}${out.length ? ` → ${out.map((l) => (l.text ? `${l.text}: ${l.to}` : l.to)).join(', ')}` : ''}\n`,
      )
    }
    for (const l of left) streams.stdout.write(`  left out: ${l.text} (${l.reason})\n`)
  }
}

const lineSchema = z.object({ id: z.union([z.string(), z.number()]), text: z.string() })

/** The value of a line, or undefined where it is no JSON. */
function jsonOf(line: string): unknown {
  try {
    return JSON.parse(line)
  } catch {
    return undefined
  }
}

/** Batch: lines {"id","text"} in, lines {"id","readings"} out, one process. */
function readLines(streams: Streams): void {
  const lexicon = shippedLexicon()
  for (const line of textOf('-').split('\n')) {
    if (line.trim() === '') continue
    const row = lineSchema.safeParse(jsonOf(line))
    if (!row.success)
      throw new Unusable({ code: 'body-unreadable', why: `a line is not {"id", "text"}: ${line.slice(0, 60)}` })
    streams.stdout.write(
      `${JSON.stringify({ id: row.data.id, readings: propose(readText(cleanText(row.data.text), lexicon)) })}\n`,
    )
  }
}

async function draw(file: string, options: Options): Promise<void> {
  const output = options.output as string
  const format = oneOf('format', path.extname(output).slice(1), formats) ?? 'svg'
  const frame = oneOf<FrameName>('frame', options.frame, frames)
  const scale = Number(options.scale ?? 1)
  if (!(scale >= 0.1 && scale <= 4))
    throw new Unusable({ code: 'unknown-option', option: 'scale', given: String(options.scale), allowed: ['0.1 to 4'] })
  const figure = figureFrom(textOf(file), oneOf('kind', options.kind, figureKinds))
  const arrangement = oneOf(
    'arrangement',
    options.arrangement,
    arrangementsOf(figure.kind).map((a) => a.id),
  )
  const style = oneOf('style', options.style, Object.keys(houseStyles))
  const arranged = { ...figure, ...(frame ? { frame } : {}), ...(arrangement ? { arrangement } : {}) }
  const treatment = oneOf(
    'treatment',
    options.treatment,
    treatmentsFor(arranged).map((t) => t.id),
  )
  const dressed = treatment ? { ...arranged, dress: { ...arranged.dress, treatment } } : arranged
  if (format === 'json') return write(output, `${JSON.stringify(dressed, null, 2)}\n`)
  const made = await figureFile(
    dressed,
    {
      ...plainOptions,
      format,
      words: 'text',
      wardrobe: { ...plainWardrobe(options.dark ? 'dark' : 'light'), style: style ?? STANDARD_STYLE },
      background: !options.transparent,
      scale,
      inside: true,
    },
    NOTHING_BROUGHT,
  )
  if (Object.values(dressed.nodes).some((n) => n.picture))
    process.stderr.write('Pictures are kept in the folio, not in the figure’s JSON: their places are left empty.\n')
  if ('code' in made) throw new Unusable(made)
  write(output, made)
}

/** A figure from its JSON, or from a text by its best reading. */
function figureFrom(text: string, kind: FigureKind | null): Figure {
  if (text.trimStart().startsWith('{')) {
    let raw: unknown
    try {
      raw = JSON.parse(text)
    } catch (error) {
      throw new Unusable({ code: 'not-a-figure', where: 'the file', why: String(error) })
    }
    const checked = figureSchema.safeParse(raw)
    if (checked.success) return checked.data
    const issue = checked.error.issues[0]
    throw new Unusable({ code: 'not-a-figure', where: issue?.path.join('.') || 'the file', why: issue?.message ?? '' })
  }
  const best = readingsOf(text, kind)[0]
  if (!best) throw new Unusable({ code: 'no-reading', kind })
  return best.figure
}
