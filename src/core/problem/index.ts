export { sentenceOf, type Problem } from './problem'
