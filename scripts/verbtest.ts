import { readFileSync } from 'node:fs'
import { englishLexicon, wordsOf } from '@/core/reading/english/words'
import { tagged } from '@/core/reading/english/tag'
const lex = englishLexicon()
let tp = 0,
  fp = 0,
  fn = 0
for (const line of readFileSync('/work/shared/corpus/verbs.txt', 'utf8').split('\n').slice(1)) {
  if (!line.trim() || line[0] === '#') continue
  const plain = line.replace(/\*/g, '')
  const stars = [...line.matchAll(/\*(\w+)/g)].map((m, k) => m.index - k)
  const t = tagged(wordsOf(plain, { start: 0, end: plain.length }), lex)
  const found = t.filter((w) => w.tag === 'verb').map((w) => w.start)
  const miss = stars.filter((s) => !found.includes(s)),
    extra = found.filter((s) => !stars.includes(s))
  tp += stars.length - miss.length
  fn += miss.length
  fp += extra.length
  if (miss.length || extra.length)
    console.log(
      plain,
      '| miss',
      miss.map((s) => plain.slice(s).split(' ')[0]).join(),
      '| extra',
      extra.map((s) => plain.slice(s).split(' ')[0]).join(),
    )
}
console.log({ P: tp / (tp + fp), R: tp / (tp + fn) })
