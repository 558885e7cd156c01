import { englishLexicon } from '@/core/reading/english/words'
import { parse } from '@/core/reading/english/parse'
import { sentencesOf } from '@/core/text'
import { corpus } from '@/core/testing/corpus'
const lex = englishLexicon()
const seg = new Intl.Segmenter('en', { granularity: 'sentence' })
const arg = process.argv[2] ?? ''
const p = corpus().find((g) => g.id === arg)
const text = p ? p.text : arg
const s = (w) => w.map((x) => x.text).join(' ')
for (const sent of sentencesOf(text, { start: 0, end: text.length }, seg)) {
  console.log('\n#', text.slice(sent.start, sent.end).replace(/\n/g, ' '))
  for (const c of parse(text, sent, lex))
    console.log(
      `   ${c.joint || '·'}${c.sub ? ` <${c.sub}>` : ''}${c.relative ? ' <rel>' : ''}${c.front.length ? ` {${s(c.front)}}` : ''} [${s(c.subject)}${c.ownSubject ? '' : c.subject.length ? '*' : ''}] ${c.verb ? `${c.verb.base}${c.verb.passive ? ' PASS' : ''}${c.verb.imperative ? ' IMP' : ''}${c.verb.negative ? ' NEG' : ''}${c.verb.modal ? ' ' + c.verb.modal : ''}${c.verb.told ? ' told' : ''}` : '-'} ( ${s(c.rest)} )${c.asides.length ? ' aside:' + c.asides.map(s).join('|') : ''}`,
    )
}
