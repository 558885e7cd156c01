import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
import { corpus } from '@/core/testing/corpus'
const lex = englishLexicon()
for (const g of corpus().filter((g) => g.part === 'develop' && g.language === 'en')) {
  const r = propose(readText(g.text, lex))
  const ok =
    g.kinds[0] === 'none' ? !(r[0] && r[0].score >= 0.42) : r[0] && g.kinds.includes(r[0].kind) && r[0].score >= 0.42
  if (!ok)
    console.log(
      g.id.padEnd(26),
      g.kinds[0].padEnd(10),
      g.form.padEnd(8),
      r
        .slice(0, 4)
        .map((x) => x.kind + ' ' + x.score.toFixed(2))
        .join('  '),
      '|',
      r.find((x) => x.kind === g.kinds[0])?.reasons.join('; '),
    )
}
