export { STRONG, WORTH_SHOWING, propose, type Coverage, type Reading } from './propose'
export { suggest, type Suggestion } from './suggest'
