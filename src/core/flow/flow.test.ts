import type { Figure, FigureLink, FigureNode } from '../figure'
import { moments, random } from '../quantity'
import { failingSeeds } from '../testing/seededFigure'
import { sketch } from '../testing/sketch'
import { steps } from '../testing/steps'
import { flowOf, loads, networkOf, quantile, queueRun, runsOf, waitInLine, walkThrough, type Flow } from '.'

const node = (id: string, more: Partial<FigureNode> = {}): FigureNode => ({
  id,
  role: 'step',
  text: id,
  order: 0,
  source: [],
  ...more,
})
const figureOf = (nodes: readonly FigureNode[], links: readonly FigureLink[]): Figure => ({
  ...steps(),
  nodes: Object.fromEntries(nodes.map((n, i) => [n.id, { ...n, order: i }])),
  links: Object.fromEntries(links.map((l) => [l.id, l])),
})

/** Steps in a row, some of which lead back or on by chance, and may take a while. */
function withLoops(seed: number): Flow {
  const next = random(seed)
  const count = 3 + Math.floor(next() * 9)
  const low = () => Math.floor(next() * 20)
  const nodes = Array.from({ length: count }, (_, i) =>
    node(`n${i}`, {
      duration: `${low()}–${20 + low()} min`,
      fields: { 'Waiting (min)': low(), Cost: `£${low()}` },
      actor: i % 2 ? 'Mate' : 'Bosun',
    }),
  )
  const links: FigureLink[] = []
  const link = (from: number, to: number, probability?: number) =>
    links.push({
      id: `l${links.length}`,
      role: 'next',
      from: `n${from}`,
      to: `n${to}`,
      order: links.length,
      source: [],
      ...(probability === undefined ? {} : { probability }),
    })
  for (let i = 0; i < count - 1; i++) {
    const p = Math.round(next() * 80) / 100
    if (next() < 0.5) {
      link(i, Math.floor(next() * (count - 1)), p)
      link(i, i + 1, 1 - p)
    } else link(i, i + 1)
  }
  return flowOf(
    figureOf(
      nodes,
      links.filter((l) => l.from !== l.to),
    ),
  ) as Flow
}

/** Expected visits by walking on for a very long time, a share of a person at a time. */
function visitsByWalking(flow: Flow): ReadonlyMap<string, number> {
  const visits = new Map<string, number>()
  let there = new Map([[flow.first, 1]])
  for (let i = 0; i < 200_000 && [...there.values()].some((v) => v > 1e-14); i++) {
    const then = new Map<string, number>()
    for (const [id, share] of there) {
      visits.set(id, (visits.get(id) ?? 0) + share)
      for (const w of flow.ways.get(id) ?? []) then.set(w.to, (then.get(w.to) ?? 0) + share * w.chance)
    }
    there = then
  }
  return visits
}

test('visits, times and costs of a walk are what walking on for ever gives, over 400 seeded flows with loops', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const flow = withLoops(seed)
    const walk = walkThrough(flow)
    if (!walk) return 'no walk'
    const wanted = visitsByWalking(flow)
    for (const id of flow.steps.keys())
      if (Math.abs((walk.visits.get(id) ?? NaN) - (wanted.get(id) ?? 0)) > 1e-9 * Math.max(1, wanted.get(id) ?? 0))
        return `visits of ${id}`
    const time = [...wanted].reduce((s, [id, v]) => {
      const step = flow.steps.get(id)
      return step ? s + v * (moments(step.takes).mean + moments(step.waits).mean) : s
    }, 0)
    return Math.abs((walk.time?.mean ?? NaN) - time) <= 1e-9 * Math.max(1, time) &&
      Math.abs(walk.work + walk.waiting - time) <= 1e-9 * time
      ? null
      : 'time'
  })
  expect(failing).toEqual([])
})

test('ten thousand runs have the mean and the variance that the chain tells, and are the same for the same seed', () => {
  for (const seed of [3, 5, 8, 13, 21]) {
    const flow = withLoops(seed)
    const walk = walkThrough(flow)
    const runs = runsOf(flow, 10_000, seed)
    const mean = runs.times.reduce((a, b) => a + b, 0) / runs.times.length
    const variance = runs.times.reduce((s, t) => s + (t - mean) ** 2, 0) / runs.times.length
    expect(Math.abs(mean - (walk?.time?.mean ?? NaN))).toBeLessThan(2 * runs.within)
    expect(variance / (walk?.time?.variance ?? NaN)).toBeGreaterThan(0.88)
    expect(variance / (walk?.time?.variance ?? NaN)).toBeLessThan(1.12)
    const cost = runs.costs.reduce((a, b) => a + b, 0) / runs.costs.length
    expect(Math.abs(cost / (walk?.cost ?? NaN) - 1)).toBeLessThan(0.1)
    expect(runsOf(flow, 100, seed).times).toEqual(runsOf(flow, 100, seed).times)
    expect(runs.endless).toBe(0)
  }
})

/** Work without loops and questions, some of it side by side. */
function network(seed: number): Flow {
  const next = random(seed)
  const count = 4 + Math.floor(next() * 8)
  const nodes = Array.from({ length: count }, (_, i) =>
    node(`n${i}`, { duration: `${1 + Math.floor(next() * 30)} min` }),
  )
  const links: FigureLink[] = []
  for (let j = 1; j < count; j++) {
    const before = new Set(Array.from({ length: 1 + Math.floor(next() * 2) }, () => Math.floor(next() * j)))
    for (const i of before)
      links.push({ id: `l${links.length}`, role: 'next', from: `n${i}`, to: `n${j}`, order: links.length, source: [] })
  }
  const many = (id: string, end: 'from' | 'to') => links.filter((l) => l[end] === id).length > 1
  return flowOf(
    figureOf(
      nodes,
      links.map((l) => ({ ...l, role: many(l.from, 'from') || many(l.to, 'to') ? 'beside' : 'next' })),
    ),
  ) as Flow
}

/** Every way from a step to where nothing follows, in minutes. */
const ways = (flow: Flow, id: string): number[] => {
  const own = moments(flow.steps.get(id)?.takes ?? { low: 0, likely: 0, high: 0, unit: '' }).mean
  const after = flow.ways.get(id) ?? []
  return after.length === 0 ? [own] : after.flatMap((w) => ways(flow, w.to).map((t) => own + t))
}

test('the critical path is the longest of all ways; a step may slip by its slack and not by more', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const flow = network(seed)
    const found = networkOf(flow)
    if (!found) return 'no network'
    const longest = Math.max(...ways(flow, flow.first))
    if (Math.abs(found.length - longest) > 1e-9) return `${found.length} for ${longest}`
    for (const [id, { slack }] of found.steps) {
      const held = (by: number): Flow => {
        const step = flow.steps.get(id)
        const more = { low: by, likely: by, high: by, unit: 'min' }
        return step ? { ...flow, steps: new Map([...flow.steps, [id, { ...step, waits: more }]]) } : flow
      }
      if (Math.abs((networkOf(held(slack))?.length ?? 0) - longest) > 1e-9) return `${id} slips less`
      if ((networkOf(held(slack + 1))?.length ?? 0) <= longest + 0.5) return `${id} slips more`
    }
    return null
  })
  expect(failing).toEqual([])
})

test('work side by side is waited for: runs of a fixed network take its critical path', () => {
  const flow = flowOf(
    sketch(
      'process; a step Moor ~ 5 min; b step Unload ~ 20 min; d step Fuel ~ 30 min; e step Load ~ 10 min; a>>b; a>>d; b>>e; d>>e',
    ),
  ) as Flow
  const runs = runsOf(flow, 50, 1)
  expect([quantile(runs.times, 0), quantile(runs.times, 1)]).toEqual([45, 45])
  expect(networkOf(flow)?.critical).toEqual(['a', 'd', 'e'])
  // Each is done once, whatever joins.
  expect(walkThrough(flow)).toMatchObject({ work: 65, time: null })
})

test.each([1, 2, 3])('a line before %i at the gangway is as long as Erlang says, within the interval', (count) => {
  const flow = flowOf(sketch('process; a step Check the ticket @Purser ~ 4 min')) as Flow
  const arrivals = (0.7 * count) / 4
  const told = waitInLine(arrivals, 4, count)
  const run = queueRun(flow, {
    arrivals,
    people: new Map([['Purser', count]]),
    seed: 11,
    coming: 8000,
    trials: 20,
    times: 'chance',
  })
  const line = run.lines.get('Purser')
  expect(Math.abs((line?.mean ?? NaN) - (told ?? NaN))).toBeLessThan(1.5 * (line?.within ?? 0))
  expect(Math.abs(run.time.mean - 4 - (told ?? NaN))).toBeLessThan(1.5 * run.time.within)
})

test('who is busiest holds all up; a queue that grows for ever has no length', () => {
  const flow = flowOf(
    sketch(
      'process; a step Check the ticket @Purser ~ 4 min; q question Car?; b step Lead it aboard @Deck hand ~ 6 min; d step Show the way @Purser ~ 1 min; a>q; q>b yes 50%; q>d no 50%',
    ),
  ) as Flow
  const walk = walkThrough(flow)
  const [first, second] = walk ? loads(flow, walk, 0.25, new Map([['Deck hand', 1]])) : []
  expect([first?.actor, first?.busy, first?.queue]).toEqual(['Purser', 1.125, null])
  expect([second?.actor, second?.busy]).toEqual(['Deck hand', 0.75])
  expect(walk?.handOvers).toBe(0)
})

test('what cannot be read is told, chances that nobody gave are taken as equal, and what never ends has no walk', () => {
  const flow = flowOf(
    sketch('process; a step Wait ~ a while; q question Clear?; b step Sail ~ 2 h; a>q; q>a; q>b'),
  ) as Flow
  expect(flow.unread).toEqual([{ node: 'a', column: 'takes', words: 'a while' }])
  expect(flow.assumed).toEqual(['q'])
  expect(walkThrough(flow)?.visits.get('a')).toBeCloseTo(2, 12)
  const endless = flowOf(
    sketch('process; s start Begin; a step Wait ~ 5 min; b step Look ~ 1 min; s>a; a>b; b>a'),
  ) as Flow
  expect(walkThrough(endless)).toBeNull()
  expect(runsOf(endless, 3, 1).endless).toBe(3)
})
