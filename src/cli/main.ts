/** The command line over the same core as the page. Exit status: 0 done, 1 unusable input (a sentence on standard error
 *  says what to do) or a check that failed, 2 wrong call. */
import { unwatchFile, watchFile } from 'node:fs'
import { z } from 'zod'
import { figureKinds } from '@/core/figure'
import { sentenceOf } from '@/core/problem'
import { propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { cleanText } from '@/manuscript'
import { USAGE, Unusable, oneOf, parsed, type Call, type Options, type Streams } from './call'
import { draw } from './draw'
import { bytesOf, matched, readingsOf, textOf } from './sources'
import { english } from '../core/words'

export async function main(argv: readonly string[], streams: Streams): Promise<number> {
  const call = parsed(argv)
  if (!call) {
    streams.stderr.write(USAGE)
    return 2
  }
  return call.options.watch ? watching(call, streams) : once(call, streams)
}

async function once(call: Call, streams: Streams): Promise<number> {
  try {
    return await commands[call.command](call.files, call.options, streams)
  } catch (error) {
    if (!(error instanceof Unusable)) throw error
    streams.stderr.write(`${sentenceOf(error.problem)}\n`)
    return 1
  }
}

const commands: Readonly<
  Record<Call['command'], (files: readonly string[], options: Options, streams: Streams) => Promise<number>>
> = {
  read: async (files, options, streams) => {
    if (options.jsonl) readLines(streams)
    else for (const file of matched(files)) await read(file, options, streams)
    return 0
  },
  draw: async (files, options, streams) => {
    await draw(files, options, streams)
    return 0
  },
  convert: async (files, options, streams) => {
    await draw(files, options, streams)
    return 0
  },
  proof: async (files, options, streams) => (await import('./proof')).proof(files, options, streams),
  folio: async (files, options, streams) => (await import('./folio')).folio(files, options, streams),
}

/** How often files are looked at. */
const LOOK_MS = 250

/** Does it, and again whenever one of the files has changed, until it is interrupted. They are watched before it is done for the
 *  first time: what is saved meanwhile is not missed. */
function watching(call: Call, streams: Streams): Promise<number> {
  const files = call.files.flatMap(known).filter((f) => f !== '-')
  return new Promise((resolve) => {
    let work = once(call, streams)
    for (const file of files)
      watchFile(file, { interval: LOOK_MS }, () => {
        work = work.then(() => once(call, streams))
      })
    streams.stderr.write(`Watching ${files.length === 1 ? files[0] : `${files.length} files`}.\n`)
    const end = () => {
      for (const file of files) unwatchFile(file)
      void work.then(resolve)
    }
    process.once('SIGINT', end)
    process.once('SIGTERM', end)
  })
}

/** A pattern that nothing matches is said by the work itself. */
function known(file: string): string[] {
  try {
    return matched([file])
  } catch (error) {
    if (error instanceof Unusable) return []
    throw error
  }
}

async function read(file: string, options: Options, streams: Streams): Promise<void> {
  const readings = readingsOf(await textOf(file), oneOf('kind', options.kind, figureKinds))
  if (options.json) return void streams.stdout.write(`${JSON.stringify({ readings }, null, 2)}\n`)
  if (readings.length === 0) throw new Unusable({ code: 'no-reading', kind: options.kind ?? null })
  for (const r of readings) {
    const { taken, of, left } = r.coverage
    streams.stdout.write(
      `${r.kind}  ${r.score.toFixed(2)}  ${r.reasons.map((why) => english(why)).join('; ')}  (${taken} of ${of})\n`,
    )
    for (const n of Object.values(r.figure.nodes)) {
      const out = Object.values(r.figure.links).filter((l) => l.from === n.id)
      streams.stdout.write(
        `  ${n.id} ${n.text}${n.actor ? ` [${n.actor}]` : ''}${out.length ? ` → ${out.map((l) => (l.text ? `${l.text}: ${l.to}` : l.to)).join(', ')}` : ''}\n`,
      )
    }
    for (const l of left) streams.stdout.write(`  left out: ${l.text} (${english(l.reason)})\n`)
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
  for (const line of new TextDecoder().decode(bytesOf('-')).split('\n')) {
    if (line.trim() === '') continue
    const row = lineSchema.safeParse(jsonOf(line))
    if (!row.success)
      throw new Unusable({ code: 'body-unreadable', why: `a line is not {"id", "text"}: ${line.slice(0, 60)}` })
    streams.stdout.write(
      `${JSON.stringify({ id: row.data.id, readings: propose(readText(cleanText(row.data.text), lexicon)) })}\n`,
    )
  }
}
