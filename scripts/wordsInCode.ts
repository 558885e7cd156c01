/** Every sentence that the code says: what stands written out in `t('…')`, `said('…')` and `words('…')`. */
import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'

/** A sentence as it stands in the code, with the names that its holes are given. */
export type Spoken = { readonly says: string; readonly holes: readonly string[] | null; readonly at: string }

const SAYING: readonly string[] = ['t', 'said', 'words', 'sayNow']

const sources = (dir: string): string[] =>
  readdirSync(dir, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile() && /\.tsx?$/.test(f.name) && !/\.test\.tsx?$|\.d\.ts$/.test(f.name))
    .map((f) => path.join(f.parentPath, f.name))
    .toSorted()

/** All of a folder, in the order of its files. */
export const spokenIn = (dir: string): Spoken[] => sources(dir).flatMap(spokenInFile)

function spokenInFile(file: string): Spoken[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, false)
  const out: Spoken[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && ts.isIdentifier(node.expression) && SAYING.includes(node.expression.text)) {
      const [says, holes] = node.arguments
      if (says && ts.isStringLiteralLike(says)) out.push({ says: says.text, holes: namesIn(holes), at: file })
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return out
}

/** The names in an object that is written out; null where it is made elsewhere. */
function namesIn(holes: ts.Expression | undefined): readonly string[] | null {
  if (!holes) return []
  if (!ts.isObjectLiteralExpression(holes)) return null
  return holes.properties.flatMap((p) => (p.name && ts.isIdentifier(p.name) ? [p.name.text] : []))
}
