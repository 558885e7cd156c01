/** What is called: commands, their options, and problems that end a call. */
import { parseArgs } from 'node:util'
import { figureKinds, frames } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { formatNames } from '@/server/files/fileTypes'
import { publicationFormatNames } from '@/server/publish/publicationTypes'

export const USAGE = `idle-compass read <file…|-> [--kind K] [--json]
idle-compass read --jsonl < in > out
idle-compass draw <file…|-> [--kind K] [--arrangement A] [--frame F] [--style S] [--treatment T] [--dark] [--scale N]
                  [--transparent] [--fixed] [--watch] -o out.{${formatNames.join(',')}}
idle-compass convert <file…|-> -o out.{${formatNames.join(',')}}
idle-compass folio <file…|-> [--style S] [--dark] [--paper a4|letter] [--watch] -o out.{${publicationFormatNames.join(',')}}
idle-compass folio <file.md…> --figures [--check] [--watch]
idle-compass proof <file…|-> [--kind K] [--format text|json|sarif] [--level error|warning|note]

  A file may be of any sort that the page opens; - is standard input, and -o - standard output.
  Of several files, {name} in the output is the name of each: -o 'out/{name}.svg'. Patterns in quotes are matched here.
  kinds   ${figureKinds.join(' ')}
  frames  ${frames.join(' ')}
`

export type Streams = {
  readonly stdout: { write: (s: string | Uint8Array) => unknown }
  readonly stderr: { write: (s: string) => unknown }
}

/** Thrown for input that cannot be used; `main` prints its sentence. */
export class Unusable extends Error {
  constructor(readonly problem: Problem) {
    super(problem.code)
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
  paper: { type: 'string' },
  json: { type: 'boolean' },
  jsonl: { type: 'boolean' },
  dark: { type: 'boolean' },
  transparent: { type: 'boolean' },
  fixed: { type: 'boolean' },
  figures: { type: 'boolean' },
  check: { type: 'boolean' },
  watch: { type: 'boolean' },
  format: { type: 'string' },
  level: { type: 'string' },
} as const
export type Options = ReturnType<typeof parseArgs<{ options: typeof flags; allowPositionals: true }>>['values']
export type Call = {
  readonly command: 'read' | 'draw' | 'convert' | 'folio' | 'proof'
  readonly files: readonly string[]
  readonly options: Options
}

/** What each command cannot do without. */
const complete: Readonly<Record<Call['command'], (files: readonly string[], o: Options) => boolean>> = {
  read: (files, o) => files.length > 0 || o.jsonl === true,
  draw: (files, o) => files.length > 0 && o.output !== undefined,
  convert: (files, o) => files.length > 0 && o.output !== undefined,
  proof: (files) => files.length > 0,
  folio: (files, o) => files.length > 0 && (o.output !== undefined || o.figures === true),
}

/** Null for a call that is wrong. */
export function parsed(argv: readonly string[]): Call | null {
  try {
    const { values, positionals } = parseArgs({ args: [...argv], options: flags, allowPositionals: true })
    const [command, ...files] = positionals
    if (command === undefined || !Object.hasOwn(complete, command)) return null
    const known = command as Call['command']
    return complete[known](files, values) ? { command: known, files, options: values } : null
  } catch {
    // parseArgs throws on an unknown option: a wrong call, answered with the usage.
    return null
  }
}

export const oneOf = <T extends string>(option: string, given: string | undefined, allowed: readonly T[]): T | null => {
  if (given === undefined) return null
  const found = allowed.find((a) => a === given)
  if (!found) throw new Unusable({ code: 'unknown-option', option, given, allowed })
  return found
}
