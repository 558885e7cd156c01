/** What a process's numbers say, made ready for its panel. Pure. */
import { all, fieldOf, isFault, ownFieldOf, type Edit, type Written } from '@/core/document'
import { nodesInOrder, type Figure, type FigureNode } from '@/core/figure'
import {
  flowOf,
  loads,
  networkOf,
  rateIn,
  stepColumns,
  walkThrough,
  wordsOf,
  type Flow,
  type Load,
  type Network,
  type StepColumn,
  type Walk,
} from '@/core/flow'

export type Reckoned = {
  readonly flow: Flow
  readonly walk: Walk
  readonly network: Network | null
  /** By actor; nothing where it is not said how often the process is begun. */
  readonly loads: readonly Load[]
}

/** `endless` where somebody may never get out, `nothing` where no number is told yet. */
export function reckoned(figure: Figure): Reckoned | 'endless' | 'nothing' {
  const flow = flowOf(figure)
  if (!flow) return 'nothing'
  const walk = walkThrough(flow)
  if (!walk) return 'endless'
  const rate = rateIn(figure.intake ?? '')
  const people = new Map(Object.entries(figure.people ?? {}))
  return { flow, walk, network: networkOf(flow), loads: rate === null ? [] : loads(flow, walk, rate, people) }
}

/** What one run takes at large, for comparing it with how it was. */
export type Summary = {
  readonly time: number | null
  readonly work: number
  readonly waiting: number
  readonly cost: number
  readonly handOvers: number
}
export const summaryOf = ({ walk, network }: Reckoned): Summary => ({
  time: network?.length ?? walk.time?.mean ?? null,
  ...{ work: walk.work, waiting: walk.waiting, cost: walk.cost, handOvers: walk.handOvers },
})

/** Names of columns that steps get which have none of a sort yet. */
const NAMES: Readonly<Record<StepColumn, string>> = { takes: '', waits: 'Waiting', costs: 'Cost' }

/** The node with other words in that column: its own field, or the column that is called so. */
export function withWords(
  figure: Figure,
  node: FigureNode,
  column: StepColumn,
  words: string,
  newId: () => string,
): Edit | null {
  if (words.trim() === wordsOf(node, column)) return null
  const name = Object.values(figure.nodes)
    .flatMap((n) => Object.keys(n.fields ?? {}))
    .find((f) => stepColumns[column].test(f))
  const field =
    column === 'takes' && (node.duration !== undefined || name === undefined)
      ? fieldOf('duration')
      : ownFieldOf(name ?? NAMES[column])
  const written: Written = field.write(figure, node, words.trim(), newId)
  return isFault(written) ? null : written
}

/** Nodes that may take, wait or cost something. */
export const stepsIn = (figure: Figure): readonly FigureNode[] =>
  nodesInOrder(figure).filter((n) => n.role !== 'start' && n.role !== 'connector')

const [THICKEST, THINNEST] = [4, 0.8]

/** Links as thick as they are often gone, or as thin as they were where they are that already. */
export function asThickAsGone(figure: Figure, { walk }: Reckoned): Edit {
  const most = Math.max(1e-9, ...walk.gone.values())
  const wanted = (id: string) =>
    Math.round((THINNEST + (THICKEST - THINNEST) * ((walk.gone.get(id) ?? 0) / most)) * 100) / 100
  const links = Object.values(figure.links)
  const done = links.every((l) => l.look?.thickness === wanted(l.id))
  return all(
    ...links.map((l): Edit => {
      const { thickness: _old, ...look } = l.look ?? {}
      const next = done ? look : { ...look, thickness: wanted(l.id) }
      return { do: 'setLink', id: l.id, set: { look: Object.keys(next).length > 0 ? next : null } }
    }),
  )
}
