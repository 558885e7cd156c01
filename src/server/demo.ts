/** Puts the chapters of the demo on a shelf, with their figures. */
import { nanoid } from 'nanoid'
import type * as Y from 'yjs'
import { newSharedFigure, setFolioStyle } from '@/core/document'
import { anchorOf, projectShared } from '@/manuscript'
import { database } from './database'
import { chapters, figureOf, type Chosen } from './demoChapters'
import { makeFolio } from './folios'
import { DEMO_PERSON } from './people/signedIn'
import { SHARED } from './soundUpdate'

/** Puts the demo on an empty shelf; a second call changes nothing. */
export async function seedDemo(): Promise<number> {
  await database()
    .insertInto('account')
    .values({ id: DEMO_PERSON.id, name: DEMO_PERSON.name, kind: 'demo' })
    .onConflict((c) => c.doNothing())
    .execute()
  const { count } = await database()
    .selectFrom('folio')
    .select((e) => e.fn.countAll<string>().as('count'))
    .executeTakeFirstOrThrow()
  if (count !== '0') return 0
  await database()
    .insertInto('shelf')
    .values({ id: nanoid(), owner_id: DEMO_PERSON.id, name: 'Crew handbook' })
    .onConflict((c) => c.doNothing())
    .execute()
  for (const chapter of chapters)
    await makeFolio(DEMO_PERSON.id, chapter.title, chapter.text, (doc) => {
      chapter.figures.forEach((f) => choose(doc, f))
      if (chapter.style) setFolioStyle(doc.getMap(SHARED.dress), chapter.style)
    })
  return chapters.length
}

function choose(doc: Y.Doc, chosen: Chosen): void {
  const projection = projectShared(doc.getXmlFragment(SHARED.manuscript))
  const { figure, span } = figureOf(projection.text, chosen, nanoid())
  const shared = newSharedFigure(figure)
  shared.set('anchor', anchorOf(projection, span))
  doc.getMap(SHARED.figures).set(figure.id, shared)
}
