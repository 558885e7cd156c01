/** Work that comes in again and again and waits for whoever does it: how busy everybody is, who holds all up. */
import { logarithm } from '../geometry'
import { drawn, moments, random } from '../quantity'
import type { Walk } from './chain'
import type { Flow, Step } from './flow'

export type Load = {
  readonly actor: string
  /** How many of them there are. */
  readonly people: number
  /** Work that comes in, as a part of what they can do; from 1 on the queue grows for ever. */
  readonly busy: number
  /** Minutes a piece of work waits for them, if it comes and takes its time by pure chance (M/M/c; Erlang 1917); null where the
   *  queue grows for ever. */
  readonly queue: number | null
}

/** From the busiest to the idlest. `arrivals`: runs a minute. */
export function loads(flow: Flow, walk: Walk, arrivals: number, people: ReadonlyMap<string, number>): Load[] {
  const work = new Map<string, { visits: number; minutes: number }>()
  for (const s of flow.steps.values()) {
    if (s.actor === null || s.takes.high === 0) continue
    const visits = walk.visits.get(s.id) ?? 0
    const before = work.get(s.actor) ?? { visits: 0, minutes: 0 }
    work.set(s.actor, { visits: before.visits + visits, minutes: before.minutes + visits * moments(s.takes).mean })
  }
  return [...work]
    .map(([actor, { visits, minutes }]): Load => {
      const count = Math.max(1, people.get(actor) ?? 1)
      const each = visits > 0 ? minutes / visits : 0
      return {
        ...{ actor, people: count, busy: (arrivals * minutes) / count },
        queue: waitInLine(arrivals * visits, each, count),
      }
    })
    .toSorted((a, b) => b.busy - a.busy)
}

/** The mean wait in an M/M/c queue: `rate` arrivals a minute, `each` minutes a piece, `count` who serve; null where it has none. */
export function waitInLine(rate: number, each: number, count: number): number | null {
  const offered = rate * each
  if (offered >= count) return null
  if (offered === 0) return 0
  // Erlang B by its recursion, which no factorial overflows; Erlang C from it.
  let blocked = 1
  for (let k = 1; k <= count; k++) blocked = (offered * blocked) / (k + offered * blocked)
  const waits = blocked / (1 - (offered / count) * (1 - blocked))
  return (waits * each) / (count - offered)
}

export type QueueRun = {
  /** Minutes in line before each actor's steps, the mean of a visit, with half the width of its 95 % interval. */
  readonly lines: ReadonlyMap<string, { readonly mean: number; readonly within: number }>
  /** Minutes from coming in to going out. */
  readonly time: { readonly mean: number; readonly within: number }
}

type QueueAsked = {
  /** Runs a minute. */
  readonly arrivals: number
  readonly people: ReadonlyMap<string, number>
  readonly seed: number
  /** How many come in one trial, the first tenth of whom is not counted: it finds nobody in line. */
  readonly coming: number
  readonly trials: number
  /** Times as they are told, or by pure chance around their mean. */
  readonly times: 'told' | 'chance'
}

/** What happens next: a piece of work comes to a step, or is done there. Kept as a binary heap by time. */
type Event = {
  readonly at: number
  readonly order: number
  readonly piece: number
  readonly step: number
  readonly done: boolean
}

/** Trials of a process into which work comes by chance (Poisson), everybody taking it in turn: independent trials, so that their
 *  means give the interval (Law 2015, "Simulation modeling and analysis", 9.4). For processes without parallel ways: of those,
 *  only one would be walked. */
export function queueRun(flow: Flow, asked: QueueAsked): QueueRun {
  const next = random(asked.seed)
  const trials = Array.from({ length: asked.trials }, () => trial(flow, asked, next))
  const actors = [...new Set(trials.flatMap((t) => [...t.lines.keys()]))]
  return {
    lines: new Map(actors.map((a) => [a, interval(trials.map((t) => t.lines.get(a) ?? 0))])),
    time: interval(trials.map((t) => t.time)),
  }
}

/** Student's t at 97.5 %, by degrees of freedom; beyond the table the normal distribution is near enough. */
const T = [
  12.71, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086,
]
function interval(means: readonly number[]): { readonly mean: number; readonly within: number } {
  const mean = means.reduce((a, b) => a + b, 0) / means.length
  const variance = means.reduce((s, m) => s + (m - mean) ** 2, 0) / Math.max(1, means.length - 1)
  return { mean, within: (T[means.length - 2] ?? 1.97) * Math.sqrt(variance / means.length) }
}

const byChance = (mean: number, u: number): number => -mean * logarithm(1 - u)

type Line = { free: number; readonly waiting: Event[]; sum: number; count: number }
type Trial = { readonly lines: ReadonlyMap<string, number>; readonly time: number }

function trial(flow: Flow, asked: QueueAsked, next: () => number): Trial {
  const steps = [...flow.steps.values()]
  const at = new Map(steps.map((s, i) => [s.id, i]))
  const lines = linesOf(steps, asked.people)
  const events = heap()
  const came = comings(asked, next)
  let order = 0
  const put = (time: number, piece: number, step: number, done: boolean) =>
    events.push({ at: time, order: order++, piece, step, done })
  came.forEach((time, i) => put(time, i, at.get(flow.first) ?? 0, false))
  const warm = asked.coming * 0.1
  const ended = { sum: 0, count: 0 }
  const begin = (e: Event, since: number, line: Line | null) => {
    const step = steps[e.step] as Step
    const took = asked.times === 'chance' ? byChance(moments(step.takes).mean, next()) : drawn(step.takes, next())
    if (line && e.piece >= warm) counted(line, since - e.at)
    put(since + took + drawn(step.waits, next()), e.piece, e.step, true)
  }
  const end = (e: Event, line: Line | null) => {
    const following = line?.waiting.shift()
    if (following) begin(following, e.at, line)
    else if (line) line.free++
    const way = pickedWay(flow.ways.get((steps[e.step] as Step).id) ?? [], next)
    if (way) put(e.at, e.piece, at.get(way.to) ?? 0, false)
    else if (e.piece >= warm) counted(ended, e.at - (came[e.piece] ?? 0))
  }
  for (let e = events.pop(); e; e = events.pop()) {
    const line = lineOf(steps[e.step] as Step, lines)
    if (e.done) end(e, line)
    else if (line && line.free === 0) line.waiting.push(e)
    else {
      if (line) line.free--
      begin(e, e.at, line)
    }
  }
  return { lines: new Map([...lines].map(([actor, l]) => [actor, meanOf(l)])), time: meanOf(ended) }
}

const counted = (c: { sum: number; count: number }, value: number): void => {
  c.sum += value
  c.count++
}
const meanOf = ({ sum, count }: { readonly sum: number; readonly count: number }): number =>
  count > 0 ? sum / count : 0

/** Nobody queues for what takes no time. */
const lineOf = (step: Step, lines: ReadonlyMap<string, Line>): Line | null =>
  step.actor === null || step.takes.high === 0 ? null : (lines.get(step.actor) ?? null)

function linesOf(steps: readonly Step[], people: ReadonlyMap<string, number>): ReadonlyMap<string, Line> {
  const busy = steps.flatMap((s) => (s.actor !== null && s.takes.high > 0 ? s.actor : []))
  const line = (actor: string): Line => ({ free: Math.max(1, people.get(actor) ?? 1), waiting: [], sum: 0, count: 0 })
  return new Map(busy.map((actor) => [actor, line(actor)]))
}

/** When each comes in. */
function comings({ coming, arrivals }: QueueAsked, next: () => number): readonly number[] {
  let clock = 0
  return Array.from({ length: coming }, () => (clock += byChance(1 / arrivals, next())))
}

function pickedWay<W extends { readonly chance: number }>(ways: readonly W[], next: () => number): W | undefined {
  if (ways.length < 2) return ways[0]
  let left = next()
  return ways.find((w) => (left -= w.chance) < 0) ?? ways.at(-1)
}

/** The earliest first; of two at once, who was put in first. */
function heap() {
  const list: Event[] = []
  const before = (a: Event, b: Event) => a.at < b.at || (a.at === b.at && a.order < b.order)
  const swap = (i: number, j: number) => {
    const [a, b] = [list[i] as Event, list[j] as Event]
    list[i] = b
    list[j] = a
  }
  return {
    push: (e: Event) => {
      list.push(e)
      for (let i = list.length - 1; i > 0;) {
        const up = (i - 1) >> 1
        if (before(list[up] as Event, list[i] as Event)) break
        swap(i, up)
        i = up
      }
    },
    pop: (): Event | undefined => {
      const first = list[0]
      const last = list.pop()
      if (!first || !last || list.length === 0) return first
      list[0] = last
      for (let i = 0; ;) {
        const [l, r] = [2 * i + 1, 2 * i + 2]
        let least = i
        for (const c of [l, r]) if (c < list.length && before(list[c] as Event, list[least] as Event)) least = c
        if (least === i) break
        swap(i, least)
        i = least
      }
      return first
    },
  }
}
