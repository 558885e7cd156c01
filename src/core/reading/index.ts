export { readText, type ReadText } from './reading'
export { englishLexicon, type Lexicon } from './english/words'
export type { Told, Unit } from './statements'
export type { Arm, Ask, Fork, GoTo, Statement, Step, Stop } from './tell'
