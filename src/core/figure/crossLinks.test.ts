import { failingSeeds, seededOfKind } from '../testing/seededFigure'
import { reachable, successors } from '../graph'
import { crossLinks } from './crossLinks'

test('without its cross-links a concept map hangs together as before, and has no circle', () => {
  const failing = failingSeeds(1, 120, (seed) => {
    const figure = seededOfKind('concept', seed)
    const cross = crossLinks(figure)
    const ids = Object.keys(figure.nodes)
    const links = Object.values(figure.links)
    const backbone = links.filter((l) => !cross.has(l.id))
    const both = (list: typeof links) => successors(ids, [...list, ...list.map((l) => ({ from: l.to, to: l.from }))])
    const parts = (list: typeof links) =>
      new Set(ids.map((id) => [...reachable(id, both(list))].toSorted().join())).size
    if (parts(backbone) !== parts(links)) return 'a part fell off'
    return backbone.length === ids.length - parts(links) ? null : 'the backbone has a circle'
  })
  expect(failing).toEqual([])
})
