/** The command line over the same core as the page. Exit status: 0 done, 1 unusable input (a sentence on standard error
 *  says what to do), 2 wrong call. */
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { parseArgs } from 'node:util'
import { figureKinds, figureSchema, frames, type Figure, type FigureKind, type FrameName } from '@/core/figure'
import { arrangementsOf } from '@/core/layout'
import { sentenceOf, type Problem } from '@/core/problem'
import { propose, type Reading } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
import { MAX_MANUSCRIPT, cleanText } from '@/manuscript'
import { figureFile } from '@/server/figureFile'

const USAGE = `idle-compass read <file|-> [--kind K] [--json]
idle-compass read --jsonl < in > out
idle-compass draw <file|-> [--kind K] [--arrangement A] [--frame F] [--dark] [--scale N] [--transparent] -o out.{svg,png,json}

  kinds   ${figureKinds.join(' ')}
  frames  ${frames.join(' ')}
`
const formats = ['svg', 'png', 'json'] as const

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
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch {
    throw new Unusable({ code: 'file-unreadable', name: file })
  }
  if (text.trim() === '') throw new Unusable({ code: 'text-empty' })
  if (text.length > MAX_MANUSCRIPT)
    throw new Unusable({ code: 'text-too-long', length: text.length, limit: MAX_MANUSCRIPT })
  return text
}

const oneOf = <T extends string>(option: string, given: string | undefined, allowed: readonly T[]): T | null => {
  if (given === undefined) return null
  const found = allowed.find((a) => a === given)
  if (!found) throw new Unusable({ code: 'unknown-option', option, given, allowed })
  return found
}

const readingsOf = (text: string, kind: FigureKind | null): Reading[] =>
  propose(readText(text, englishLexicon())).filter((r) => kind === null || r.kind === kind)

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

/** Batch: lines {"id","text"} in, lines {"id","readings"} out, one process. */
function readLines(streams: Streams): void {
  const lexicon = englishLexicon()
  for (const line of readFileSync(0, 'utf8').split('\n')) {
    if (line.trim() === '') continue
    let row: { id?: unknown; text?: unknown }
    try {
      row = JSON.parse(line) as typeof row
    } catch {
      throw new Unusable({ code: 'body-unreadable', why: `a line is not JSON: ${line.slice(0, 60)}` })
    }
    streams.stdout.write(
      `${JSON.stringify({ id: row.id, readings: propose(readText(cleanText(String(row.text ?? '')), lexicon)) })}\n`,
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
  const dressed = { ...figure, ...(frame ? { frame } : {}), ...(arrangement ? { arrangement } : {}) }
  if (format === 'json') return writeFileSync(output, `${JSON.stringify(dressed, null, 2)}\n`)
  const made = await figureFile(dressed, {
    format,
    words: 'text',
    theme: options.dark ? 'dark' : 'light',
    background: !options.transparent,
    scale,
  })
  if ('code' in made) throw new Unusable(made)
  writeFileSync(output, made)
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
