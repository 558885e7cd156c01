export { own, said, words } from './said'
export type { Hole, Holes, Said, Tell, Words } from './said'
export { english, teller } from './tell'
export type { Catalogue } from './tell'
