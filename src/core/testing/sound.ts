/** The property every picture must have, over seeded figures. */
import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { connectorForms, frames, type FigureKind, type FrameName } from '../figure'
import { arrangementsOf } from '../layout'
import type { Typesetter } from '../measure'
import { routedFigure } from '../pipeline'
import { failingSeeds, frozen, seededOfKind } from './seededFigure'

/** `SWEEP=1` draws more figures, and each in every arrangement; otherwise the arrangements take turns over the seeds. */
const SWEEP = process.env.SWEEP === '1'
const SEEDS = SWEEP ? 400 : 90

/** Seeds of figures of 3 to 60 nodes, frames and forms of connectors in turn, whose picture has a fault, or of which a second
 *  drawing is not the first to the byte. */
export function unsoundSeeds(kind: FigureKind, typesetter: Typesetter): string[] {
  const all = arrangementsOf(kind)
  return failingSeeds(1, SEEDS + 1, (seed) => {
    const turns = SWEEP ? all : [all[seed % all.length] as (typeof all)[number]]
    for (const { id } of turns) {
      const frame = frames[Math.floor(seed / all.length) % frames.length] as FrameName
      const connectors = connectorForms[seed % connectorForms.length]
      const seeded = seededOfKind(kind, seed)
      const figure = frozen({ ...seeded, arrangement: id, frame, dress: { ...seeded.dress, connectors } })
      const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
      const faults = routedFaults(routed).map((f) => `${f.code} ${f.what}`)
      if (faults.length > 0) return `${id}, ${frame}: ${faults.slice(0, 3).join(', ')}`
      const again =
        seed % 8 > 0 ||
        JSON.stringify(routedFigure(figure, plainWardrobe('light'), typesetter)) === JSON.stringify(routed)
      if (!again) return `${id}, ${frame}: differs`
    }
    return null
  })
}
