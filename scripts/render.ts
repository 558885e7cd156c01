import { writeFileSync } from 'node:fs'
import { corpus } from '@/core/testing/corpus'
import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
import { figureFile } from '@/server/figureFile'
import { arrangementsOf } from '@/core/layout'
const lex = englishLexicon()
for (const [id, kind] of [
  ['teal-crew', 'hierarchy'],
  ['berth', 'concept'],
  ['deck-shore', 'venn'],
  ['three-bases', 'venn'],
  ['fog-departure', 'decision'],
  ['plant-check', 'decision'],
  ['drill-well', 'decision'],
  ['trainings', 'venn'],
]) {
  const g = corpus().find((x) => x.id === id)!
  const r = propose(readText(g.text, lex)).find((x) => x.kind === kind)!
  for (const a of arrangementsOf(r.figure.kind)) {
    const made = await figureFile({ ...r.figure, arrangement: a.id }, {
      format: 'png',
      words: 'text',
      theme: 'light',
      background: true,
      scale: 1,
    } as any)
    if ('code' in (made as any)) console.log(made)
    else writeFileSync(`/tmp/fig/${id}-${a.id}.png`, made as any)
  }
}
