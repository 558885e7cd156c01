/** What a figure holds besides its words: its pictures, its alt text. */
import { said, words } from '../words'
import { shortly, type FigureRule, type Found, type Looked } from './rule'

const unseen = ({ nodes }: Looked): Found[] =>
  nodes
    .filter((n) => n.picture && !n.picture.alt?.trim() && n.text.trim() === '')
    .map((n) => ({ parts: [n.id], says: said('A picture without words that say what it shows.') }))

/** Alt text of somebody's own that names what is not in the figure any more is found by the numbers it tells. */
function toldOtherwise({ figure, nodes }: Looked): Found[] {
  const told = /\b(\d+)\s+(?:steps|concepts|items|options|points|nodes|Schritte|Begriffe)\b/i.exec(figure.altText ?? '')
  if (!told || Number(told[1]) === nodes.length) return []
  return [
    {
      parts: [],
      says: said('Its alt text tells of {told}; there are {count}: “{text}”', {
        told: told[0],
        count: nodes.length,
        text: shortly(figure.altText ?? ''),
      }),
    },
  ]
}

const TWO = 'a point Ropes; b point Chocks'
export const heldRules: readonly FigureRule[] = [
  {
    ...{ id: 'picture-untold', name: words('A picture without alt text'), severity: 'error' },
    find: unseen,
    fires: `points; ${TWO}; d point $ 80 60`,
    quiet: `points; ${TWO}; d point Fenders $ 80 60`,
  },
  {
    ...{ id: 'alt-text-otherwise', name: words('Alt text that tells of something else'), severity: 'warning' },
    find: toldOtherwise,
    fires: `points altText=Three kinds of gear, 3 points; ${TWO}`,
    quiet: `points altText=Two kinds of gear, 2 points; ${TWO}`,
  },
]
