export { isProblemCode, problemSaid, sentenceOf, type Problem } from './problem'
