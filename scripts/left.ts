import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
import { corpus } from '@/core/testing/corpus'
const lex = englishLexicon()
let of = 0,
  t = 0
for (const g of corpus().filter((g) => g.part === 'develop' && g.kinds[0] !== 'none')) {
  const r = propose(readText(g.text, lex)).find((r) => r.kind === g.kinds[0])
  if (!r) continue
  of += r.coverage.of
  t += r.coverage.taken
  if (process.argv[2]) for (const l of r.coverage.left) console.log(g.id, r.kind, '|', l.text, '|', l.reason)
}
console.log(t, of)
