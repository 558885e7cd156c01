import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
import { corpus } from '@/core/testing/corpus'
const lex = englishLexicon()
const best = []
for (const g of corpus().filter((g) => g.part === 'develop')) {
  const r = propose(readText(g.text, lex))[0]
  best.push([
    g.kinds[0] === 'none' ? 'NONE' : g.kinds.includes(r?.kind) ? 'right' : 'wrong',
    r?.score ?? 0,
    g.id,
    r?.kind,
  ])
}
best.sort((a, b) => a[1] - b[1])
for (const b of best.slice(0, 48)) console.log(b.join(' '))
