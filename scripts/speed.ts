import { propose } from '@/core/propose'
import { englishLexicon, readText } from '@/core/reading'
const lex=englishLexicon()
const shapes: Record<string, (n: number) => string> = {
    'one sentence without a stop': (n) => 'the ramp and the deck or the bridge '.repeat(n / 36), commas: (n) => 'a, '.repeat(n / 3), brackets: (n) => '('.repeat(n), if: (n) => 'if it is wet, wait; '.repeat(n / 20),
    items: (n) => '- check the ramp\n'.repeat(n / 17), nested: n=>'- check\n  - the ramp\n'.repeat(n/21), terms: (n) => 'Fender: a cushion that protects the hull.\n'.repeat(n / 42), prose: n=>'The fender protects the hull. '.repeat(n/30), spaces: (n) => `x${' '.repeat(n)}x`, letters: (n) => 'x'.repeat(n), percent: (n) => 'a 30% chance of rain '.repeat(n / 21), table: (n) => '| a | yes |\n'.repeat(n / 12), both:n=>'Both cats and dogs eat. Only cats purr. '.repeat(n/40), arrows:n=>'- a -> b\n'.repeat(n/9)}
for (const [k,f] of Object.entries(shapes)) { const t=(n:number)=>{const s=performance.now(); propose(readText(f(n),lex)); return performance.now()-s}; t(2000); console.log(k.padEnd(30), t(25000).toFixed(0), t(100000).toFixed(0)) }
