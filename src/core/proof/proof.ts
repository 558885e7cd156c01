/** The proof of figures: every rule asked, what was set aside told apart, the worst first. */
import type { Figure, FigureId } from '../figure'
import type { Said, Words } from '../words'
import { answerRules } from './answerRules'
import { flowRules } from './flowRules'
import { folioRules, type Folio } from './folioRules'
import { heldRules } from './heldRules'
import { numberRules } from './numberRules'
import { pictureRules, type Drawn } from './pictureRules'
import { severities, type Found, type Looked, type Mend, type Severity } from './rule'
import { shapeRules } from './shapeRules'
import { wordRules } from './wordRules'

/** A fault with its place. */
export type Finding = {
  /** The same as long as the fault is: what it was set aside by. */
  readonly key: string
  readonly rule: string
  readonly name: Words
  readonly severity: Severity
  /** Null for what is wrong with the text. */
  readonly figure: FigureId | null
  readonly parts: readonly string[]
  readonly says: Said
  readonly mends: readonly Mend[]
  /** Why it was set aside; null for what is not. */
  readonly aside: string | null
}

export const figureRules = [...answerRules, ...flowRules, ...numberRules, ...shapeRules, ...wordRules, ...heldRules]
export { folioRules, pictureRules }

const MAX_KEY = 200
const keyOf = (rule: string, of: string): string => `${rule} ${of}`.slice(0, MAX_KEY)

function finding(
  rule: { readonly id: string; readonly name: Words; readonly severity: Severity },
  found: Found & { readonly about?: string },
  figure: Figure | null,
): Finding {
  const key = keyOf(rule.id, found.about ?? found.parts.toSorted().join(','))
  const { id, name, severity } = rule
  return {
    ...{ key, rule: id, name, severity, figure: figure?.id ?? null },
    ...{ parts: found.parts, says: found.says, mends: found.mends ?? [] },
    aside: figure?.setAside?.[key] ?? null,
  }
}

/** What is wrong with a figure by itself. */
export const figureFindings = (looked: Looked): Finding[] =>
  figureRules
    .filter((r) => r.kinds?.includes(looked.figure.kind) ?? true)
    .flatMap((r) => r.find(looked).map((f) => finding(r, f, looked.figure)))

/** What is wrong with its picture. */
export const pictureFindings = (drawn: Drawn): Finding[] =>
  pictureRules.flatMap((r) => r.find(drawn).map((f) => finding(r, f, drawn.looked.figure)))

/** What is wrong with figures and text together. */
export function folioFindings(folio: Folio): Finding[] {
  const by = new Map(folio.figures.map(({ figure }) => [figure.id, figure]))
  return folioRules.flatMap((r) => r.find(folio).map((f) => finding(r, f, by.get(f.figure ?? '') ?? null)))
}

/** The worst first; within a severity in the order of the rules. */
export const worstFirst = (findings: readonly Finding[]): Finding[] =>
  findings.toSorted((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity))
