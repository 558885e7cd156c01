import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
const lex=englishLexicon()
const f = {nested:'- check\n  - the ramp\n',items:'- check the ramp\n', terms:'Fender: a cushion that protects the hull.\n', arrows:'- a -> b\n'}[process.argv[2]]!
const t = f.repeat(100000/f.length); const r=readText(t,lex); propose(r)
