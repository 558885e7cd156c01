import { figureKinds, type Figure } from '../figure'
import { sceneOf } from '../pipeline'
import { plainWardrobe } from '../style'
import { seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import {
  bpmnOf,
  cellsOfCsv,
  csvOfFigure,
  dotOf,
  figureOfCells,
  figureOfDot,
  figureOfGraphml,
  figureOfOpml,
  figuresOfBpmn,
  graphmlOf,
  opmlOf,
} from './index'
import { flatFigure } from './flat'

const typesetter = shippedTypesetter()
/** Words as they come: quotes, signs of each format, several lines, other scripts, formulas. */
const ODD = [
  'say "ahoy" \\ twice',
  '<b>&amp;</b> ]]>',
  'first\nsecond\tthird',
  '=1+2',
  '-a; b, c',
  "'=quoted",
  'घाट → {x|y}',
  '  two  spaces ',
]

function odd(seed: number): Figure {
  const figure = seededOfKind(figureKinds[seed % figureKinds.length] ?? 'points', seed)
  const nodes = Object.values(figure.nodes).map((n, i) => {
    const text = (seed + i) % 3 === 0 ? (ODD[(seed + i) % ODD.length] as string) : n.text
    const more =
      (seed + i) % 5 === 0
        ? { detail: ODD[i % ODD.length] as string, measure: { value: 12.5, unit: 'min' }, fields: { own: 3 } }
        : {}
    return { ...n, ...more, text }
  })
  return {
    ...figure,
    title: `Round ${ODD[seed % ODD.length] ?? ''}`,
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
  }
}

const ways: Readonly<Record<string, (f: Figure) => Figure | null | undefined>> = {
  graphml: (f) => figureOfGraphml(graphmlOf(f)),
  opml: (f) => figureOfOpml(opmlOf(f)),
  csv: (f) => figureOfCells(cellsOfCsv(csvOfFigure(f))),
  dot: (f) => figureOfDot(dotOf(f)),
}

test.each(Object.keys(ways))('300 figures of all kinds come back out of %s as they went in', (way) => {
  for (let seed = 1; seed <= 300; seed++) {
    const figure = odd(seed)
    const back = ways[way]?.(figure)
    expect([seed, back && flatFigure(back)]).toEqual([seed, flatFigure(figure)])
  }
})

test('processes come back out of BPMN, with lanes, events and returns', () => {
  for (let seed = 1; seed <= 40; seed++) {
    const plain = seededOfKind('process', seed)
    const nodes = Object.values(plain.nodes).map((n, i) =>
      seed % 2 ? { ...n, actor: i % 3 ? 'Deck' : 'Bridge & office' } : n,
    )
    const figure = { ...plain, nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) }
    const back = figuresOfBpmn(bpmnOf(figure, sceneOf(figure, plainWardrobe('light'), typesetter)))[0]
    expect([seed, back && flatFigure(back)]).toEqual([seed, flatFigure(figure)])
  }
})
