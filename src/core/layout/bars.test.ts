import { plainWardrobe } from '../style'
import { crossingsOf, routedFaults } from '../check'
import { connectorForms, frames, type Figure, type FigureLink, type FrameName } from '../figure'
import { routedFigure } from '../pipeline'
import { scene } from '../scene'
import { failingSeeds, random } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { steps } from '../testing/steps'

const typesetter = shippedTypesetter()
const WORDS = ['Open the gates', 'Start', 'Lower the ramp and lock it on both sides', 'Call', 'Count the life-jackets']

/** A step, some arms of one to three steps done at the same time, and a step that waits for all. */
function parallel(seed: number, arrangement: string, frame: FrameName): { figure: Figure; arms: number } {
  const next = random(seed)
  const arms = 2 + Math.floor(next() * 4)
  const lengths = Array.from({ length: arms }, () => 1 + Math.floor(next() * 3))
  const base = steps('Before', ...lengths.flatMap((n) => Array<string>(n).fill('')), 'After')
  const ids = Object.keys(base.nodes)
  const [first, last] = [ids[0] as string, ids.at(-1) as string]
  const actors = ['mate', 'purser', 'deckhands']
  const nodes = Object.fromEntries(
    Object.values(base.nodes).map((n) => [
      n.id,
      {
        ...n,
        text: n.text || (WORDS[Math.floor(next() * WORDS.length)] as string),
        actor: actors[Math.floor(next() * 3)] as string,
      },
    ]),
  )
  let at = 1
  const links = lengths.flatMap((length) => {
    const chain = [first, ...ids.slice(at, at + length), last]
    at += length
    return chain.slice(1).map((to, i): FigureLink => {
      const from = chain[i] as string
      const role = i === 0 || to === last ? 'beside' : 'next'
      return { id: `${from}-${to}`, role, from, to, order: i, source: [] }
    })
  })
  return {
    figure: { ...base, nodes, arrangement, frame, links: Object.fromEntries(links.map((l) => [l.id, l])) },
    arms,
  }
}

test.each(['down', 'across', 'lanes', 'lanesDown'])(
  '%s: what is done at the same time leaves one bar and meets at another; nothing crosses, and the bars are no steps',
  (arrangement) => {
    const failing = failingSeeds(1, 61, (seed) => {
      const { figure: plain, arms } = parallel(seed, arrangement, frames[seed % frames.length] as FrameName)
      const connectors = connectorForms[seed % connectorForms.length]
      const figure = { ...plain, dress: { ...plain.dress, connectors } }
      const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
      const faults = routedFaults(routed)
      if (faults.length > 0) return `${faults[0]?.code} ${faults[0]?.what}`
      const bars = routed.nodes.filter((n) => n.barOf !== null)
      const [fork, join] = bars.map((b) => [
        routed.routes.filter((r) => r.from === b.id),
        routed.routes.filter((r) => r.to === b.id),
      ])
      if (bars.length !== 2 || fork?.[0]?.length !== arms || join?.[1]?.length !== arms)
        return 'not all arms at the bars'
      const lanes = arrangement.startsWith('lanes')
      if (!lanes && connectors !== 'straight' && routed.starts.length < 2 && crossingsOf(routed) > 0)
        return `${crossingsOf(routed)} crossings`
      const drawn = scene(routed)
      const ends = drawn.links.every((l) => figure.nodes[l.from] && figure.nodes[l.to] && figure.links[l.id])
      return ends && drawn.nodes.length === Object.keys(figure.nodes).length ? null : 'a bar is offered as a step'
    })
    expect(failing).toEqual([])
  },
)
