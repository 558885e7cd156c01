/** Two or three things that running text sets against each other. Each clause is said of the one that its subject names, of
 *  both, or of the one spoken of last. */
import { keyOf, type Predication, type ReadText } from '../reading'
import { capital, slice, trimmed, type Span } from '../text'
import type { Compared, Member } from './compared'
import { contrastsIn, SHARED, nameOf, type Candidate, type Contrast } from './contrast'
import { clean } from './shapes'
import { because } from './because'

/** The likeliest comparison in which something is said of each thing alone; else the likeliest. */
export function comparedInProse(read: ReadText): Compared | null {
  const tried = contrastsIn(read).flatMap((c) => comparedBy(read, c) ?? [])
  return tried.find((c) => aloneIn(c) === c.names.length) ?? tried[0] ?? null
}

const aloneIn = ({ names, members }: Pick<Compared, 'names' | 'members'>): number =>
  names.filter((_, i) => members.some((m) => m.sets.size === 1 && m.sets.has(i))).length

function comparedBy(read: ReadText, { things, chance }: Contrast): Compared | null {
  const members: Member[] = []
  const again = things.map((): Span[] => [])
  let current: readonly number[] = []
  for (const [i, p] of read.predications.flat().entries()) {
    const { sets, one } = saidOfWhich(read, i, p, things, current)
    if (one) current = sets
    if (sets.length === 0) continue
    const span = labelSpan(p, things)
    const label = capital(clean(slice(read.text, span)))
    if (label.split(' ').length < 2) continue
    if (span.start > p.start)
      for (const k of sets) again[k]?.push(trimmed(read.text, { start: p.start, end: span.start }))
    members.push({ label, key: keyOf(label), sets: new Set(sets), source: [span] })
  }
  const names = things.map((t) => nameOf(read, t))
  const alone = aloneIn({ names, members })
  const empty = things.some((_, i) => !members.some((m) => m.sets.has(i)))
  if (members.length < 2 || alone < 1 || empty) return null
  return {
    names,
    again,
    members,
    score: 0.35 + 0.4 * chance + (alone === things.length ? 0.1 : 0),
    reasons: [because.namedAgain(things.length), because.sentences(members.length)],
  }
}

/** Which of the things it is said of: those the subject names or goes on about, else those its words name, else the one
 *  spoken of last. `one` where it is named and no other is. */
function saidOfWhich(
  read: ReadText,
  i: number,
  p: Predication,
  things: readonly Candidate[],
  current: readonly number[],
): { readonly sets: readonly number[]; readonly one: boolean } {
  if (SHARED.test(slice(read.text, p))) return { sets: [...things.keys()], one: false }
  const of = (is: (t: Candidate) => boolean) => things.flatMap((t, k) => (is(t) ? [k] : []))
  const [named] = [
    of((t) => t.about.has(i)),
    of((t) => t.places.some((x) => x.start >= p.start && x.end <= p.end)),
  ].filter((sets) => sets.length > 0)
  return { sets: named ?? current, one: named?.length === 1 }
}

/** What is said, without the subject where that only names one of the things or points back. */
function labelSpan(p: Predication, things: readonly Candidate[]): Span {
  const { subject } = p
  const names = things.some((t) => t.places.some((x) => subject && x.start >= subject.start && x.end <= subject.end))
  return names ? p.said : wholeSaid(p)
}

/** All that a clause says, without a subject that only points back. */
export const wholeSaid = ({ subject, pointing, said }: Predication): Span =>
  subject === null || pointing ? said : { start: subject.start, end: said.end }
