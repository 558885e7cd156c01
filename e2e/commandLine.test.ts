import assert from 'node:assert/strict'
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { test } from 'node:test'
import { PNG } from 'pngjs'
import { z } from 'zod'
import { figureSchema } from '../src/core/figure'
import { corpus } from '../src/core/testing/corpus'

const dir = mkdtempSync(path.join(tmpdir(), 'compass-'))
const at = (name: string) => path.join(dir, name)
const call = (args: string[], input = '') =>
  spawnSync(path.resolve('bin/idle-compass'), args, { input, encoding: 'utf8', cwd: dir, maxBuffer: 2 ** 28 })
const passages = corpus()

test('read: every passage of the corpus, in one process; every figure is valid', () => {
  const done = call(['read', '--jsonl'], passages.map((p) => JSON.stringify({ id: p.id, text: p.text })).join('\n'))
  assert.equal(done.status, 0, done.stderr)
  const rows = done.stdout
    .trim()
    .split('\n')
    .map((l) => JSON.parse(l) as { id: string; readings: { kind: string; figure: unknown }[] })
  assert.deepEqual(
    rows.map((r) => r.id),
    passages.map((p) => p.id),
  )
  for (const r of rows) for (const reading of r.readings) figureSchema.parse(reading.figure)
  assert.ok(rows.filter((r) => r.readings.length > 0).length > passages.length * 0.9)
})

test('read and draw: text in, JSON, SVG and PNG out; the JSON drawn again gives the same picture', () => {
  const text = '1. Check the lines\n2. If the deck is wet, spread sand\n3. Load the cars'
  const read = call(['read', '-', '--json'], text)
  assert.equal((JSON.parse(read.stdout) as { readings: { kind: string }[] }).readings[0]?.kind, 'process')
  for (const name of ['a.json', 'a.svg', 'a.png'])
    assert.equal(
      call(['draw', '-', '--frame', 'slide-16x9', '--arrangement', 'across', '-o', at(name)], text).status,
      0,
    )
  assert.equal(call(['draw', at('a.json'), '-o', at('b.svg')]).status, 0)
  assert.equal(readFileSync(at('b.svg'), 'utf8'), readFileSync(at('a.svg'), 'utf8'))
  assert.equal(PNG.sync.read(readFileSync(at('a.png'))).width, 1280)
})

test('proof: faults with their places for people, programs and build servers; the exit says how bad it is', () => {
  writeFileSync(
    at('flow.md'),
    'In port\n\n1. Lower the ramp\n2. Load the cars\n3. Count the cars\n4. Departure of the ferry\n5. Load the cars',
  )
  const told = call(['proof', at('flow.md')])
  assert.equal(told.status, 0, told.stderr)
  assert.match(told.stdout, /warning: “Load the cars” stands there 2 times\. \[same-words\]/)
  assert.match(told.stdout, /note: “Departure of the ferry” does not begin with what is done/)
  assert.equal(call(['proof', at('flow.md'), '--level', 'warning']).status, 1)
  const json = JSON.parse(call(['proof', at('flow.md'), '--format', 'json']).stdout) as {
    findings: { rule: string; places: string[]; mends: string[] }[]
  }[]
  const twice = json[0]?.findings.find((f) => f.rule === 'same-words')
  assert.deepEqual([twice?.places, twice?.mends], [['Load the cars', 'Load the cars'], ['Make them one']])
  const sarif = z
    .object({
      version: z.literal('2.1.0'),
      runs: z.tuple([
        z.object({
          tool: z.object({
            driver: z.object({ name: z.string(), rules: z.array(z.object({ id: z.string() })).min(40) }),
          }),
          results: z.array(
            z.object({
              ...{
                ruleId: z.string(),
                level: z.enum(['error', 'warning', 'note']),
                message: z.object({ text: z.string() }),
              },
              locations: z.array(
                z.object({ physicalLocation: z.object({ artifactLocation: z.object({ uri: z.string() }) }) }),
              ),
            }),
          ),
        }),
      ]),
    })
    .parse(JSON.parse(call(['proof', at('flow.md'), '--format', 'sarif']).stdout))
  const [run] = sarif.runs
  for (const r of run.results)
    assert.ok(
      run.tool.driver.rules.some((rule) => rule.id === r.ruleId),
      r.ruleId,
    )
  // A fault somebody has set aside, with the reason, is no fault any more.
  assert.equal(call(['draw', at('flow.md'), '-o', at('flow.json')]).status, 0)
  const figure = figureSchema.parse(JSON.parse(readFileSync(at('flow.json'), 'utf8')))
  const parts = Object.values(figure.nodes)
    .filter((n) => n.text === 'Load the cars')
    .map((n) => n.id)
    .toSorted()
  writeFileSync(
    at('aside.json'),
    JSON.stringify({ ...figure, setAside: { [`same-words ${parts.join(',')}`]: 'Two decks' } }),
  )
  const aside = call(['proof', at('aside.json'), '--level', 'warning'])
  assert.equal(aside.status, 0, aside.stdout)
  assert.match(aside.stdout, /set aside: .* Because: Two decks/)
})

test('proof of a figure by itself: a member that its own words put elsewhere', () => {
  const lists =
    'Night boat\n- Cabins\n- Bar\n\nDay boat\n- Sun deck\n- Shop\n\nBoth the night boat and the day boat\n- Ramp'
  const read = JSON.parse(
    call(['read', '-', '--kind', 'venn', '--json'], `Night boat and day boat\n\n${lists}\n`).stdout,
  ) as { readings: { figure: unknown }[] }
  const figure = figureSchema.parse(read.readings[0]?.figure)
  writeFileSync(at('boats.json'), JSON.stringify(figure))
  assert.doesNotMatch(call(['proof', at('boats.json')]).stdout, /text-otherwise/)
  const nodes = Object.values(figure.nodes).map((n) => (n.text === 'Ramp' ? { ...n, memberOf: ['s2'] } : n))
  writeFileSync(at('moved.json'), JSON.stringify({ ...figure, nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) }))
  assert.match(
    call(['proof', at('moved.json')]).stdout,
    /“Ramp”: the text puts it into “Night boat” and “Day boat”\. \[text-otherwise\]/,
  )
})

test('unusable input ends with 1 and a sentence, a wrong call with 2 and the usage', () => {
  writeFileSync(at('bad.json'), '{"id": 3}')
  writeFileSync(at('binary'), Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0xff, 0xfe, 0]))
  const cases: [string[], string, number, RegExp][] = [
    [['read', at('none.md')], '', 1, /could not be read/],
    [['read', '-'], ' \n', 1, /no text yet/],
    [['draw', '-', '--kind', 'pie', '-o', at('x.svg')], 'text', 1, /no kind “pie”. Use one of: process/],
    [['proof', '-', '--format', 'xml'], '1. a\n2. b', 1, /no format “xml”. Use one of: text, json, and sarif/],
    [['draw', '-', '-o', at('x.gif')], '1. a\n2. b', 1, /no format “gif”/],
    [['draw', at('bad.json'), '-o', at('x.svg')], '', 1, /not a figure.*docs\/figure.schema.json/],
    [['draw', '-', '--kind', 'venn', '-o', at('x.svg')], '1. a\n2. b', 1, /does not read as venn/],
    [
      ['draw', '-', '-o', at('no folder/x.svg')],
      '1. a\n2. b',
      1,
      /x\.svg” could not be written. Check that its folder/,
    ],
    [['draw', '-', '-o', at('no folder/x.json')], '1. a\n2. b', 1, /could not be written/],
    [['read', dir], '', 1, /could not be read/],
    [['read', at('binary')], '', 1, /could not be read. Check that it exists and that it is text/],
    [['read', '--jsonl'], 'null\n', 1, /a line is not \{"id", "text"\}: null/],
    [['read', '--jsonl'], '{"id": 1, "text": 7}\n', 1, /a line is not/],
    [['draw', '-'], '1. a\n2. b', 2, /idle-compass draw/],
    [['sail'], '', 2, /idle-compass read/],
    [['read', '-', '--loud'], 'x', 2, /idle-compass read/],
  ]
  for (const [args, input, status, said] of cases) {
    const done = call(args, input)
    assert.equal(done.status, status, `${args.join(' ')}: ${done.stderr}`)
    assert.match(done.stderr, said)
    if (status === 1) assert.equal(done.stderr.trim().split('\n').length, 1, done.stderr)
  }
})

test('a text in UTF-16 with its mark is read like the same in UTF-8', () => {
  const text = '1. Check the lines\n2. Lower the ramp – slowly\n3. Load the cars'
  const utf16 = Buffer.from(`\ufeff${text}`, 'utf16le')
  writeFileSync(at('le.txt'), utf16)
  writeFileSync(at('be.txt'), Buffer.from(utf16).swap16())
  const expected = call(['read', '-'], text).stdout
  assert.match(expected, /Lower the ramp/)
  for (const file of ['le.txt', 'be.txt']) assert.equal(call(['read', at(file)]).stdout, expected)
})

test('the published schema is the one of the code', () => {
  assert.deepEqual(
    JSON.parse(readFileSync('docs/figure.schema.json', 'utf8')),
    JSON.parse(JSON.stringify(z.toJSONSchema(figureSchema, { io: 'input' }))),
  )
})

test('convert and pipes: a table becomes a graph, the graph a picture, a pattern many files', () => {
  writeFileSync(at('crew.csv'), 'Post,Reports to\nMaster,\nMate,Master\nBosun,Mate\nPurser,Master\n')
  assert.equal(call(['convert', at('crew.csv'), '-o', at('crew.graphml')]).status, 0)
  const dot = call(['convert', at('crew.graphml'), '-o', at('crew.dot')])
  assert.equal(dot.status, 0, dot.stderr)
  assert.match(readFileSync(at('crew.dot'), 'utf8'), /"Master"[\s\S]*->/)
  const svg = call(['draw', '-', '-o', '-'], readFileSync(at('crew.dot'), 'utf8'))
  assert.match(svg.stdout + svg.stderr, /<svg[\s\S]*Purser|does not read/)
  assert.equal(call(['draw', at('crew.{csv,graphml}'), '-o', at('{name}-drawn.pdf')]).status, 0)
  assert.match(readFileSync(at('crew-drawn.pdf'), 'latin1'), /^%PDF-1\.7/)
  assert.equal(call(['draw', at('none*.csv'), '-o', at('{name}.svg')]).status, 1)
})

const PAGE = `# Boarding

<!-- figure: boarding.svg kind=process -->

1. Check the moorings
2. Lower the ramp
3. Load the cars

# The crew

\`\`\`figure crew.svg kind=hierarchy title="Who is who"
- Master
  - Mate
  - Purser
\`\`\`
`

test('a documentation page keeps its figures: drawn by mark and by heading, checked, said where they have drifted', () => {
  writeFileSync(at('page.md'), PAGE)
  const missing = call(['folio', at('page.md'), '--figures', '--check'])
  assert.equal(missing.status, 1)
  assert.match(missing.stderr, /page\.md:3: boarding\.svg is not there/)
  const drawn = call(['folio', at('page.md'), '--figures'])
  assert.equal(drawn.status, 0, drawn.stderr)
  assert.match(readFileSync(at('crew.svg'), 'utf8'), /<title[^>]*>Who is who/)
  assert.equal(call(['folio', at('page.md'), '--figures', '--check']).status, 0)
  writeFileSync(at('page.md'), PAGE.replace('Lower the ramp', 'Lower the ramp and lock it'))
  const drifted = call(['folio', at('page.md'), '--figures', '--check'])
  assert.equal(drifted.status, 1)
  assert.match(drifted.stderr, /page\.md:3: boarding\.svg is not what the text says any more/)
  assert.doesNotMatch(drifted.stderr, /crew\.svg/)
})

test('a folio from a Markdown file: a document, slides and a page with its figures in their places', () => {
  writeFileSync(at('page.md'), PAGE)
  for (const format of ['docx', 'pptx', 'pdf', 'html', 'odt', 'odp', 'zip']) {
    const done = call(['folio', at('page.md'), '-o', at(`handbook.${format}`)])
    assert.equal(done.status, 0, `${format}: ${done.stderr}`)
  }
  const html = readFileSync(at('handbook.html'), 'utf8')
  assert.match(html, /Check the moorings[\s\S]*Figure 1\. [\s\S]*The crew[\s\S]*Figure 2\. Who is who/)
  assert.doesNotMatch(html, /figure: boarding|```/)
})

test('watched, a file is drawn again when it changes', async () => {
  writeFileSync(at('watched.md'), '1. Check the moorings\n2. Lower the ramp')
  const child = spawn(
    path.resolve('bin/idle-compass'),
    ['draw', at('watched.md'), '--watch', '-o', at('watched.svg')],
    { cwd: dir },
  )
  const holds = async (words: string) => {
    for (let i = 0; i < 200; i++) {
      if (existsSync(at('watched.svg')) && readFileSync(at('watched.svg'), 'utf8').includes(words)) return
      await new Promise((r) => setTimeout(r, 100))
    }
    assert.fail(`“${words}” did not come`)
  }
  try {
    await holds('Lower the')
    writeFileSync(at('watched.md'), '1. Check the moorings\n2. Raise the ramp')
    await holds('Raise the')
  } finally {
    const gone = new Promise((r) => child.once('exit', r))
    child.kill('SIGTERM')
    await gone
  }
})
