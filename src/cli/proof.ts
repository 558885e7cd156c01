/** `proof`: what is wrong with the figures of files, for people, programs, and build servers (SARIF 2.1.0, OASIS 2020). */
import path from 'node:path'
import { figureKinds, type Figure } from '@/core/figure'
import {
  figureRules,
  folioRules,
  pictureRules,
  severities,
  worstFirst,
  type Finding,
  type Severity,
} from '@/core/proof'
import { proveFigure, proveTogether } from '@/core/prove'
import { english } from '@/core/words'
import { serverTypesetter } from '@/server/fontFiles'
import { oneOf, type Options, type Streams } from './call'
import { dressed, wardrobeOf } from './draw'
import { markedFigures } from './markedFigures'
import { figuresOf, matched, openedFile, readingsOf } from './sources'

const formats = ['text', 'json', 'sarif'] as const
type Proof = { readonly file: string; readonly figures: readonly Figure[]; readonly findings: readonly Finding[] }

/** Out: 1 where a fault is at least as bad as `--level` says (an error, if it says nothing), else 0. */
export async function proof(files: readonly string[], options: Options, streams: Streams): Promise<number> {
  const format = oneOf('format', options.format, formats) ?? 'text'
  const level = oneOf('level', options.level, severities) ?? 'error'
  const proofs: Proof[] = []
  for (const file of matched(files)) proofs.push(await proofOf(file, options))
  streams.stdout.write(printed[format](proofs))
  const bad = proofs.flatMap((p) => p.findings).filter((f) => f.aside === null && isAsBad(f.severity, level))
  return bad.length > 0 ? 1 : 0
}

const isAsBad = (a: Severity, b: Severity): boolean => severities.indexOf(a) <= severities.indexOf(b)

async function proofOf(file: string, options: Options): Promise<Proof> {
  const given = await figuresIn(file, options)
  const figures = given.figures.map((f, i) => ({
    ...dressed(f, options),
    id: given.figures.length > 1 ? `figure-${i + 1}` : f.id,
  }))
  const wardrobe = wardrobeOf(options)
  const typesetter = serverTypesetter({})
  const findings = [
    ...figures.flatMap((f) => proveFigure(f, wardrobe, typesetter)),
    ...proveTogether({
      ...{ text: given.text, figures, terms: [] },
      // As the passage stood when the figure was made of it: nothing newer is at hand.
      passages: new Map(
        figures.map((f) => [f.id, f.wasRead.text.slice(f.passage?.start ?? 0, f.passage?.end) || null]),
      ),
      reread: (text, kind) => readingsOf(text, kind)[0]?.figure ?? null,
    }),
  ]
  return { file, figures, findings: worstFirst(findings) }
}

/** The figures that are marked in a text, with the text; else the one that the file is, or reads as. */
async function figuresIn(file: string, options: Options): Promise<{ text: string; figures: readonly Figure[] }> {
  const kind = oneOf('kind', options.kind, figureKinds)
  const read = file === '-' ? null : await openedFile(file)
  const text = read?.as === 'text' ? read.markdown : ''
  const marked = markedFigures(text)
  if (marked.length === 0)
    return { text: text.trimStart().startsWith('{') ? '' : text, figures: await figuresOf(file, kind) }
  const figures = marked.flatMap((m) => {
    const best = readingsOf(m.text, oneOf('kind', m.kind ?? options.kind, figureKinds))[0]
    return best ? [{ ...best.figure, title: m.title ?? best.figure.title }] : []
  })
  return { text, figures }
}

/** The words of the parts, as one finds them in the figure. */
const placesOf = ({ figures }: Proof, f: Finding): string[] => {
  const figure = figures.find((g) => g.id === f.figure)
  return f.parts.flatMap((p) => figure?.nodes[p]?.text ?? figure?.links[p]?.text ?? [])
}

const printed: Readonly<Record<(typeof formats)[number], (proofs: readonly Proof[]) => string>> = {
  text: (proofs) =>
    proofs
      .flatMap((p) => [
        ...p.findings.map((f) =>
          f.aside === null
            ? `${p.file}: ${f.severity}: ${english(f.says)} [${f.rule}]`
            : `${p.file}: set aside: ${english(f.says)} [${f.rule}] Because: ${f.aside}`,
        ),
        `${p.file}: ${p.findings.filter((f) => f.aside === null).length || 'nothing'} found in ${p.figures.length === 1 ? 'one figure' : `${p.figures.length} figures`}`,
      ])
      .map((line) => `${line}\n`)
      .join(''),
  json: (proofs) =>
    `${JSON.stringify(
      proofs.map((p) => ({
        file: p.file,
        findings: p.findings.map((f) => ({
          ...{ rule: f.rule, severity: f.severity, figure: f.figure, parts: f.parts, places: placesOf(p, f) },
          ...{ says: english(f.says), mends: f.mends.map((m) => english(m.says)), aside: f.aside },
        })),
      })),
      null,
      2,
    )}\n`,
  sarif: (proofs) => `${JSON.stringify(sarifOf(proofs), null, 2)}\n`,
}

const sarifOf = (proofs: readonly Proof[]) => ({
  $schema: 'https://json.schemastore.org/sarif-2.1.0.json',
  version: '2.1.0',
  runs: [
    {
      tool: {
        driver: {
          name: 'Idle Compass',
          rules: [...figureRules, ...pictureRules, ...folioRules].map((r) => ({
            id: r.id,
            shortDescription: { text: english({ says: r.name }) },
            defaultConfiguration: { level: r.severity },
          })),
        },
      },
      results: proofs.flatMap((p) =>
        p.findings.map((f) => ({
          ruleId: f.rule,
          level: f.severity,
          message: { text: english(f.says) },
          locations: [
            {
              physicalLocation: { artifactLocation: { uri: p.file.split(path.sep).map(encodeURIComponent).join('/') } },
              logicalLocations: placesOf(p, f).map((name) => ({ name, kind: 'element' })),
            },
          ],
          ...(f.aside === null ? {} : { suppressions: [{ kind: 'inSource', justification: f.aside }] }),
        })),
      ),
    },
  ],
})
