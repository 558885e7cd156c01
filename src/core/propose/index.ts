export type { Coverage, LeftOut } from './coverage'
export type { Doubt } from './doubts'
export { STRONG, WORTH_SHOWING, propose, type Reading } from './propose'
export { createSuggest, type Suggestion } from './suggest'
