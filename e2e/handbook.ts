/** A folio of the demo's world with all that a manuscript holds. */
import { newSharedFigure } from '../src/core/document'
import { anchorOf, nodesFromText, projectShared, sharedNodes } from '../src/manuscript'
import { chapters, figureOf } from '../src/server/demoChapters'
import { NOTHING_BROUGHT } from '../src/server/figureFile'
import { contentOf } from '../src/server/publish/content'
import type { FolioContent } from '../src/server/publish/publication'
import { SHARED, newDocument } from '../src/server/soundUpdate'

export const HANDBOOK = `# Before the passengers come

The deck crew is aboard an hour before departure. **Never** leave the ramp unwatched while it moves.

1. Check the moorings
   - the bow line
   - the stern line
2. Lower the ramp and lock it
3. Open the lane gates

## Who stands where

| Post | Count |
| --- | --- |
| Ramp | 2 |
| Vehicle deck | 4 |

## Things we never keep

- Food: thrown away at the end of the day
- Medicine: handed to the pharmacy in Port Lorne
- Knives and tools: handed to the harbour police
`

/** The handbook, and the first figures of the demo at its end. */
export async function handbook(): Promise<FolioContent> {
  const doc = newDocument()
  doc.getMap(SHARED.head).set('title', 'Crew handbook')
  doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText(HANDBOOK)))
  const chosen = chapters.flatMap((c) => c.figures.map((f) => ({ text: c.text, f })))
  for (const [i, { text, f }] of chosen.slice(0, 5).entries()) {
    const figure = { ...figureOf(text, f, f.title).figure, id: `figure-${i}` }
    const shared = newSharedFigure(figure)
    shared.set('anchor', anchorOf(projectShared(doc.getXmlFragment(SHARED.manuscript)), { start: 40 + i, end: 90 }))
    doc.getMap(SHARED.figures).set(figure.id, shared)
  }
  return Promise.resolve(contentOf(doc, 'light', NOTHING_BROUGHT))
}
