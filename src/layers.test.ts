/** What each folder may import. A new arrow changes this table, in the open. */
import { readFileSync, readdirSync, statSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'

type Row = { readonly may: readonly string[]; readonly packages: readonly string[] }
const core = (may: readonly string[], packages: readonly string[] = []): Row => ({
  may: ['core/problem', 'core/words', ...may.map((m) => `core/${m}`)],
  packages,
})
const ALL_CORE = [
  'problem',
  'words',
  'geometry',
  'graph',
  'text',
  'syntax',
  'reading',
  'quantity',
  'figure',
  'decide',
  'flow',
  'data',
  'reckon',
  'icons',
  'propose',
  'style',
  'measure',
  'layout',
  'route',
  'dress',
  'scene',
  'formats',
  'check',
  'proof',
  'document',
  'exchange',
].map((f) => `core/${f}`)

const layers: Record<string, Row> = {
  // Words for people; every folder may say something.
  'core/words': core([], ['intl-messageformat']),
  'core/problem': core([]),
  'core/geometry': core([]),
  'core/graph': core([]),
  'core/text': core([], ['fast-diff']),
  'core/syntax': core([], ['zod']),
  'core/reading': core(['text', 'syntax']),
  // Values with units and ranges.
  'core/quantity': core([]),
  'core/figure': core(['graph', 'quantity'], ['zod']),
  'core/icons': core([]),
  // What a decision is worth, and what that hangs on.
  'core/decide': core(['figure', 'quantity']),
  // What a process takes: time, cost, waiting, load.
  'core/flow': core(['figure', 'graph', 'quantity', 'geometry']),
  // Sets, hierarchies and concept maps as numbers.
  'core/reckon': core(['figure', 'document', 'graph']),
  // Sheets of data whose rows are tied to nodes.
  'core/data': core(['figure', 'document', 'quantity'], ['papaparse']),
  // Doubts carry edits, as values.
  'core/propose': core(['reading', 'figure', 'graph', 'text', 'document', 'quantity'], ['zod']),
  'core/style': core(['geometry', 'figure', 'icons'], ['zod', 'culori']),
  'core/measure': core(
    ['geometry', 'style', 'figure', 'text', 'icons', 'quantity'],
    ['harfbuzzjs', 'bidi-js', 'linebreak', 'unicode-segmenter'],
  ),
  'core/layout': core(['geometry', 'graph', 'style', 'figure', 'measure']),
  'core/route': core(['geometry', 'graph', 'style', 'layout', 'figure', 'measure'], ['flatqueue']),
  'core/dress': core(['geometry', 'figure', 'style', 'route', 'layout', 'measure']),
  'core/scene': core(['geometry', 'dress', 'style', 'route', 'layout', 'measure', 'figure']),
  'core/formats': core(['geometry', 'scene', 'style', 'measure'], ['svgpath']),
  'core/check': core(['geometry', 'graph', 'route', 'measure', 'scene', 'style']),
  'core/document': core(
    ['figure', 'style', 'graph', 'geometry', 'text', 'quantity'],
    ['yjs', 'zod', 'fast-xml-parser', 'papaparse'],
  ),
  // What is wrong with figures, with mends as edits.
  'core/proof': core(['check', 'figure', 'document', 'graph', 'geometry', 'route', 'scene']),
  // Files of other programs: read into figures, and figures written into them.
  'core/exchange': core(
    ['figure', 'formats', 'document', 'text', 'geometry', 'graph', 'scene'],
    ['saxes', 'papaparse', 'zod'],
  ),
  'core/testing': { may: [...ALL_CORE, 'core', 'server'], packages: ['node:fs', 'node:path'] },
  core: { may: ALL_CORE, packages: [] },
  manuscript: { may: ['core/text', 'core/problem', 'core/words'], packages: ['yjs'] },
  sync: { may: [], packages: ['yjs'] },
  workers: { may: [...ALL_CORE, 'core'], packages: ['comlink', 'nanoid', 'zod'] },
  server: { may: [...ALL_CORE, 'core', 'manuscript'], packages: ['*'] },
  // The interface draws scenes and makes edits; what a text says and where things stand comes from the worker.
  ui: {
    may: [
      'core/decide',
      'core/flow',
      'core/data',
      'core/reckon',
      'core/quantity',
      'core/document',
      'core/geometry',
      'core/scene',
      'core/style',
      'core/formats',
      'core/figure',
      'core/icons',
      'core/text',
      'core/problem',
      'core/words',
      'core/propose',
      'core/proof',
      'manuscript',
      'sync',
      'workers',
    ],
    packages: ['*'],
  },
  cli: {
    may: [...ALL_CORE, 'core', 'manuscript', 'server'],
    packages: ['node:fs', 'node:path', 'node:util', 'tinyglobby', 'zod'],
  },
  app: {
    may: ['ui', 'server', 'manuscript', 'core/figure', 'core/document', 'core/problem', 'core/words'],
    packages: ['next', 'react', 'zod', 'kysely'],
  },
}
/** The interface may know these shapes, but not run their code: it would put the reader into every page. */
const TYPES_ONLY: Record<string, readonly string[]> = { ui: ['core/propose', 'core/scene', 'core/proof'] }

const root = path.join(process.cwd(), 'src')
const files = (dir: string): string[] =>
  readdirSync(dir).flatMap((name) => {
    const full = path.join(dir, name)
    return statSync(full).isDirectory()
      ? files(full)
      : /\.tsx?$/.test(name) && !/\.test\.tsx?$|\.d\.ts$/.test(name)
        ? [full]
        : []
  })
const layerOf = (file: string): string => {
  const [top, second, third] = path.relative(root, file).split(path.sep)
  if (top === 'core')
    return /^(?:pipeline|fit|continued|prove)(?:\.ts)?$/.test(second ?? '') ||
      (third === undefined && second?.endsWith('.ts'))
      ? 'core'
      : `core/${second}`
  return top ?? ''
}

type Import = { readonly file: string; readonly from: string; readonly to: string; readonly typeOnly: boolean }

function importsOf(file: string): Import[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.ES2022, false)
  return source.statements.flatMap((s): Import[] => {
    if (
      !(ts.isImportDeclaration(s) || ts.isExportDeclaration(s)) ||
      !s.moduleSpecifier ||
      !ts.isStringLiteral(s.moduleSpecifier)
    )
      return []
    const named = ts.isImportDeclaration(s) ? s.importClause?.namedBindings : s.exportClause
    const wholly = ts.isImportDeclaration(s) ? s.importClause?.isTypeOnly === true : s.isTypeOnly
    const each =
      named && (ts.isNamedImports(named) || ts.isNamedExports(named)) && named.elements.every((e) => e.isTypeOnly)
    return [
      {
        file: path.relative(root, file),
        from: layerOf(file),
        to: s.moduleSpecifier.text,
        typeOnly: wholly || each === true,
      },
    ]
  })
}

const all = files(root)
  .filter((f) => !f.endsWith('proxy.ts'))
  .flatMap(importsOf)
const target = (i: Import): string | null => {
  if (i.to.startsWith('@/')) return layerOf(path.join(root, i.to.slice(2), 'x.ts'))
  if (i.to.startsWith('.')) return layerOf(path.resolve(root, path.dirname(i.file), i.to) + '/x.ts')
  return null
}

test('imports were found in every layer', () => {
  expect(all.length).toBeGreaterThan(200)
  expect([...new Set(all.map((i) => i.from))].filter((l) => !layers[l] && l !== 'types')).toEqual([])
})

test('each folder imports only what its row allows', () => {
  const wrong = all.flatMap((i) => {
    const row = layers[i.from]
    if (!row) return []
    const to = target(i)
    if (to === null) {
      const name = i.to.startsWith('node:')
        ? i.to
        : i.to.startsWith('@')
          ? i.to.split('/').slice(0, 2).join('/')
          : (i.to.split('/')[0] as string)
      return row.packages.includes('*') || row.packages.includes(name) || i.to.endsWith('.css')
        ? []
        : [`${i.file}: package ${i.to}`]
    }
    const inside = to === i.from
    if (i.to.endsWith('.json') || inside || row.may.includes(to)) return []
    return [`${i.file} (${i.from}): ${i.to} (${to})`]
  })
  expect(wrong).toEqual([])
})

test('the interface takes only types of what it must not run', () => {
  const wrong = all
    .filter((i) => TYPES_ONLY[i.from]?.includes(target(i) ?? '') && !i.typeOnly)
    .map((i) => `${i.file}: ${i.to}`)
  expect(wrong).toEqual([])
})

test('folders are entered by their door: core folders import each other by index only', () => {
  const wrong = all
    .filter(
      (i) =>
        i.from.startsWith('core') &&
        target(i) !== i.from &&
        /^(?:\.\.?\/)+(?:[a-z]+)\/./i.test(i.to) &&
        !i.to.endsWith('.json'),
    )
    .filter((i) => target(i) !== null && layers[target(i) as string])
  expect(wrong.map((i) => `${i.file}: ${i.to}`)).toEqual([])
})

test('no file is longer than 400 lines', () => {
  expect(
    files(root)
      .filter((f) => readFileSync(f, 'utf8').split('\n').length > 401)
      .map((f) => path.relative(root, f)),
  ).toEqual([])
})

/** Circles of files, each by its files in order. The list may only become shorter. */
const CIRCLES: readonly string[] = []

test('no files import each other in a circle', () => {
  const importsByFile = new Map([...known].map((file): [string, string[]] => [file, []]))
  for (const i of all) importsByFile.get(i.file)?.push(...[fileOf(i) ?? []].flat())
  const found = circles(importsByFile)
  // A scan that sees no import would pass too.
  expect([...importsByFile.values()].flat().length).toBeGreaterThan(500)
  expect(found.map((c) => c.join(' ')).toSorted()).toEqual([...CIRCLES].toSorted())
})

/** The file an import within `src` leads to. */
function fileOf(i: Import): string | null {
  const base = i.to.startsWith('@/')
    ? i.to.slice(2)
    : i.to.startsWith('.')
      ? path.join(path.dirname(i.file), i.to)
      : null
  const ends = ['', '.ts', '.tsx', '/index.ts']
  const found = base !== null && ends.map((e) => base + e).find((f) => known.has(f))
  return found || null
}
const known = new Set(files(root).map((f) => path.relative(root, f)))

/** Strongly connected components of more than one file. Tarjan 1972, "Depth-First Search and Linear Graph Algorithms". */
function circles(next: ReadonlyMap<string, readonly string[]>): string[][] {
  const [order, low] = [new Map<string, number>(), new Map<string, number>()]
  const stack: string[] = []
  const out: string[][] = []
  const visit = (file: string): void => {
    order.set(file, order.size)
    low.set(file, order.get(file) as number)
    stack.push(file)
    for (const to of next.get(file) ?? []) {
      if (!order.has(to)) visit(to)
      if (stack.includes(to)) low.set(file, Math.min(low.get(file) as number, low.get(to) as number))
    }
    if (low.get(file) !== order.get(file)) return
    const together = stack.splice(stack.indexOf(file))
    if (together.length > 1) out.push(together.toSorted())
  }
  for (const file of next.keys()) if (!order.has(file)) visit(file)
  return out
}
