/** Options told by exactly two criteria, as places in a field: from low to high each way. */
import { linksInOrder, nodesInOrder, type Figure, type NodeId } from './figure'

export type TwoCriteria = {
  readonly across: string
  readonly up: string
  /** Each option's place from 0, the lowest told, to 1, the highest. */
  readonly places: ReadonlyMap<NodeId, { readonly across: number; readonly up: number }>
}

const LEVELS: readonly (readonly [RegExp, number])[] = [
  [/^(?:very )?(?:low|little|small|few|cheap|short|weak|none|no|bajo|niedrig)$/i, 0],
  [/^(?:medium|middling|moderate|average|some|fair|mittel|medio)$/i, 0.5],
  [/^(?:very )?(?:high|much|large|great|many|dear|long|strong|yes|alto|hoch)$/i, 1],
]

/** Null unless every option has a number, or a word for low and high, for each of two criteria. */
export function twoCriteria(figure: Figure): TwoCriteria | null {
  if (figure.kind !== 'decision') return null
  const options = nodesInOrder(figure).filter((n) => n.role === 'option')
  const told = linksInOrder(figure).filter(
    (l) => figure.nodes[l.from]?.role === 'option' && figure.nodes[l.to]?.role === 'criterion',
  )
  const names = [...new Set(told.map((l) => l.text ?? ''))]
  const [across, up] = names
  if (options.length < 2 || names.length !== 2 || !across || !up) return null
  const scaled = (name: string) => {
    const found = new Map<NodeId, number>()
    for (const l of told) {
      const level = l.text === name ? levelIn(figure.nodes[l.to]?.text ?? '') : null
      if (level !== null) found.set(l.from, level)
    }
    const words = told.every(
      (l) => l.text !== name || LEVELS.some(([p]) => p.test((figure.nodes[l.to]?.text ?? '').trim())),
    )
    const [low, high] = words ? [0, 1] : [Math.min(...found.values()), Math.max(...found.values())]
    return new Map([...found].map(([id, v]) => [id, high > low ? (v - low) / (high - low) : 0.5]))
  }
  const [xs, ys] = [scaled(across), scaled(up)]
  if (options.some((o) => !xs.has(o.id) || !ys.has(o.id))) return null
  return {
    across,
    up,
    places: new Map(options.map((o) => [o.id, { across: xs.get(o.id) as number, up: ys.get(o.id) as number }])),
  }
}

function levelIn(words: string): number | null {
  const text = words.trim()
  const number = /^-?\d[\d,]*(?:\.\d+)?/.exec(text.replace(/^[^\d-]{0,2}/, ''))
  if (number) return Number(number[0].replaceAll(',', ''))
  return LEVELS.find(([pattern]) => pattern.test(text))?.[1] ?? null
}
