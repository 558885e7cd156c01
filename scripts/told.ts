import { englishLexicon, readText } from '@/core/reading'
import { corpus } from '@/core/testing/corpus'
const g = corpus().find((x) => x.id === process.argv[2])
const text = g ? g.text : process.argv[2]
const r = readText(text, englishLexicon())
const show = (b, d = 0) =>
  b.forEach((s) => {
    const p = '  '.repeat(d)
    if (s.do === 'step')
      console.log(p + '- ' + s.label + (s.actor ? ` [${s.actor}]` : '') + (s.detail ? ` {${s.detail}}` : ''))
    else if (s.do === 'ask') {
      console.log(p + '? ' + s.question + ' #' + s.item)
      s.arms.forEach((a) => {
        console.log(p + '  = ' + a.answer)
        show(a.body, d + 2)
      })
    } else if (s.do === 'fork') {
      console.log(p + 'fork ' + s.how)
      s.arms.forEach((a) => {
        console.log(p + ' |')
        show(a, d + 1)
      })
    } else console.log(p + s.do, s.item ?? '', s.note ?? '')
  })
show(r.told.body)
if (process.argv[3])
  console.log(
    JSON.stringify(
      r.claims.map((c) => ({ ...c, span: undefined })),
      (k, v) => (k === 'span' ? undefined : v),
    ),
  )
