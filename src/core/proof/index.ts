export {
  figureFindings,
  figureRules,
  folioFindings,
  folioRules,
  pictureFindings,
  pictureRules,
  worstFirst,
  type Finding,
} from './proof'
export { lookedAt, severities, type Grammar, type Mend, type Severity } from './rule'
export type { Drawn } from './pictureRules'
export type { Folio } from './folioRules'
