export { readText, type ReadText } from './reading'
export { englishLexicon, type Lexicon } from './english/words'
export type { Arm, Ask, GoTo, Statement, Step, Stop, Told, Unit } from './statements'
