import { strToU8, zipSync } from 'fflate'
import PDFDocument from 'pdfkit'
import type { Figure } from '@/core/figure'
import { imported, type Imported } from './readers'

async function read(name: string, data: string | Uint8Array): Promise<Imported> {
  const found = await imported(name, typeof data === 'string' ? strToU8(data) : data)
  if ('code' in found) throw new Error(`${name}: ${found.code}`)
  return found
}
async function textOf(name: string, data: string | Uint8Array): Promise<string> {
  const found = await read(name, data)
  if (found.as !== 'text') throw new Error(`${name} is ${found.as}`)
  return found.markdown
}
async function figureOf(name: string, data: string): Promise<Figure> {
  const found = await read(name, data)
  const [figure] = found.as === 'figures' ? found.figures : []
  if (!figure) throw new Error(`${name} is ${found.as}`)
  return figure
}
const words = (f: Figure): string[] =>
  Object.values(f.nodes)
    .toSorted((a, b) => a.order - b.order)
    .map((n) => n.text)
const told = (f: Figure): string[] =>
  Object.values(f.links)
    .map((l) => `${f.nodes[l.from]?.text} ${l.text ? `-${l.text}-` : '-'}> ${f.nodes[l.to]?.text}`)
    .toSorted()

const BOARDING =
  '# Boarding\n\n1. Check the moorings\n   - the bow line\n   - the stern line\n2. Lower the ramp\n\n**Never** leave it *alone*.\n\n| Post | Count |\n| Ramp | 2 |\n'

test('a web page: what is around the text is left, lists in lists, tables and strong words are kept', async () => {
  const page = `<!doctype html><title>Handbook</title><nav><a>Home</a></nav><main><h1>Boarding</h1>
    <ol><li>Check the moorings<ul><li>the bow line</li><li><p>the stern line</p></li></ul></li><li>Lower the ramp</li></ol>
    <p><b>Never</b> leave it <i>alone</i>.<img src="x"></p><table><tr><th>Post</th><th>Count</th></tr><tr><td>Ramp</td><td>2</td></tr></table></main>`
  const found = await read('handbook.html', page)
  expect(found).toMatchObject({ as: 'text', title: 'Handbook', markdown: BOARDING, left: ['pictures'] })
})

test('a mail: its subject, who it is from, its letters whatever they are coded in, its attachments named', async () => {
  const mail = [
    'From: =?utf-8?Q?K=C3=BCstenb=C3=BCro?= <office@gannet.example>',
    'Subject: Ramp',
    'MIME-Version: 1.0',
    'Content-Type: multipart/mixed; boundary=x',
    '',
    '--x',
    'Content-Type: text/plain; charset=iso-8859-1',
    'Content-Transfer-Encoding: quoted-printable',
    '',
    '1. Check the moorings=20',
    '2. Lower the ramp, m=F6glichst langsam',
    '> What was asked',
    '--x',
    'Content-Type: application/pdf; name=a.pdf',
    'Content-Disposition: attachment',
    '',
    'x',
    '--x--',
  ].join('\r\n')
  const found = await read('ramp.eml', mail)
  expect(found).toMatchObject({ as: 'text', title: 'Ramp', left: ['attachments'] })
  expect(found.as === 'text' && found.markdown).toMatch(
    /From: Küstenbüro[\s\S]*2\. Lower the ramp, möglichst langsam\n$/,
  )
})

test('rich text: headings by their style, letters by code page and number, marks of items, what is for other programs left', async () => {
  const rtf = String.raw`{\rtf1\ansi\ansicpg1252{\fonttbl{\f0 Serif;}}{\stylesheet{\s0 Normal;}{\s1\outlinelevel0 heading 1;}}{\*\generator x}
\pard\s1 Boarding\par\pard {\listtext 1.\tab}Check the moorings\par {\listtext 2.\tab}Lower the ramp\par\pard Gr\'fc\'dfe, {\b Never} \u8594? on\par}`
  expect(await textOf('boarding.rtf', rtf)).toBe(
    '# Boarding\n\n1. Check the moorings\n2. Lower the ramp\n\nGrüße, **Never** → on\n',
  )
})

test('a book: its chapters in the order of its spine, whatever their names', async () => {
  const chapter = (title: string) =>
    `<html xmlns="http://www.w3.org/1999/xhtml"><body><h1>${title}</h1><p>About ${title}.</p></body></html>`
  const book = zipSync(
    Object.fromEntries(
      Object.entries({
        'META-INF/container.xml':
          '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="OPS/book.opf"/></rootfiles></container>',
        'OPS/book.opf':
          '<package xmlns="http://www.idpf.org/2007/opf" xmlns:dc="http://purl.org/dc/elements/1.1/"><metadata><dc:title>Crew handbook</dc:title></metadata><manifest><item id="a" href="z.xhtml"/><item id="b" href="a.xhtml"/><item id="n" href="nav.xhtml" properties="nav"/></manifest><spine><itemref idref="n"/><itemref idref="a"/><itemref idref="b"/></spine></package>',
        ...{ 'OPS/z.xhtml': chapter('Boarding'), 'OPS/a.xhtml': chapter('Fog'), 'OPS/nav.xhtml': chapter('Contents') },
      }).map(([n, d]) => [n, strToU8(d)]),
    ),
  )
  const found = await read('book.epub', book)
  expect(found).toMatchObject({
    title: 'Crew handbook',
    markdown: '# Boarding\n\nAbout Boarding.\n\n# Fog\n\nAbout Fog.\n',
  })
})

test('text in other encodings', async () => {
  const text = 'Die Rampe wird geprüft, bevor sie geöffnet wird. Größe: fünf Meter. Über die Brücke.'
  for (const bytes of [
    Buffer.from(text, 'utf8'),
    Buffer.from(`\ufeff${text}`, 'utf16le'),
    Buffer.from(text, 'utf16le'),
    Buffer.from(`\ufeff${text}`, 'utf16le').swap16(),
    Buffer.from(text, 'latin1'),
  ])
    expect((await textOf('ramp.txt', new Uint8Array(bytes))).trim()).toBe(text)
})

test('a PDF in two columns: read down the one, then the other; headings, items, words parted at a line end, no running heads', async () => {
  const doc = new PDFDocument({ size: 'A4', margin: 0 })
  const done = new Promise<Uint8Array>((resolve) => {
    const chunks: Uint8Array[] = []
    doc.on('data', (c: Uint8Array) => chunks.push(c))
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
  })
  const line = (text: string, x: number, y: number, size = 10, font = 'Helvetica') =>
    doc.font(font).fontSize(size).text(text, x, y, { lineBreak: false })
  const column = (x: number, lines: readonly string[]) => lines.forEach((l, i) => line(l, x, 140 + i * 14))
  const LEFT = [
    'The deck crew is aboard an hour before',
    'departure and checks the moor-',
    'ings at the bow and at the stern.',
    '• Count the life-jackets in each locker',
    '• Sign the list and hand it to the mate',
  ]
  const RIGHT = [
    'The purser counts the passengers as they',
    'come aboard and tells the bridge when',
    'the last of them has found a seat.',
  ]
  for (let page = 1; page <= 3; page++) {
    if (page > 1) doc.addPage()
    line('Crew handbook', 60, 30, 8)
    line(String(page), 290, 810, 8)
    line(`Watch ${'one two three'.split(' ')[page - 1]}`, 60, 90, 18)
    column(60, LEFT)
    column(320, RIGHT)
  }
  doc.end()
  const text = await textOf('handbook.pdf', await done)
  expect(text).not.toMatch(/Crew handbook|^\d$/m)
  expect(
    text
      .split('# Watch ')
      .slice(1)
      .map((w) => w.split('\n').filter(Boolean)),
  ).toEqual(
    ['one', 'two', 'three'].map((n) => [
      n,
      'The deck crew is aboard an hour before departure and checks the moorings at the bow and at the stern.',
      '- Count the life-jackets in each locker',
      '- Sign the list and hand it to the mate',
      'The purser counts the passengers as they come aboard and tells the bridge when the last of them has found a seat.',
    ]),
  )
})

const BPMN = `<bpmn:definitions xmlns:bpmn="http://www.omg.org/spec/BPMN/20100524/MODEL"><bpmn:process id="p" name="Boarding">
<bpmn:laneSet><bpmn:lane name="Deck"><bpmn:flowNodeRef>t1</bpmn:flowNodeRef></bpmn:lane><bpmn:lane name="Bridge"><bpmn:flowNodeRef>t2</bpmn:flowNodeRef></bpmn:lane></bpmn:laneSet>
<bpmn:startEvent id="s" name="Ship is fast"/><bpmn:userTask id="t1" name="Lower the ramp"/><bpmn:parallelGateway id="f"/><bpmn:task id="t2" name="Report"/><bpmn:task id="t3" name="Open the gates"/><bpmn:parallelGateway id="j"/>
<bpmn:exclusiveGateway id="q" name="Deck wet?"/><bpmn:task id="t4" name="Spread sand"/><bpmn:exclusiveGateway id="m"/><bpmn:endEvent id="e"/>
<bpmn:textAnnotation id="a"><bpmn:text>By hand in frost</bpmn:text></bpmn:textAnnotation><bpmn:association id="as" sourceRef="t1" targetRef="a"/>
${[
  ['s', 't1'],
  ['t1', 'f'],
  ['f', 't2'],
  ['f', 't3'],
  ['t2', 'j'],
  ['t3', 'j'],
  ['j', 'q'],
  ['q', 't4', 'yes'],
  ['q', 'm', 'no'],
  ['t4', 'm'],
  ['m', 'e'],
]
  .map(
    ([from, to, name], i) =>
      `<bpmn:sequenceFlow id="x${i}" sourceRef="${from}" targetRef="${to}"${name ? ` name="${name}"` : ''}/>`,
  )
  .join('')}</bpmn:process></bpmn:definitions>`

test('a process of another program: gateways that only part and join are what they do, lanes say who acts', async () => {
  const figure = await figureOf('boarding.bpmn', BPMN)
  expect([figure.kind, figure.title]).toEqual(['process', 'Boarding'])
  expect(told(figure)).toEqual(
    [
      'Ship is fast -> Lower the ramp',
      'Lower the ramp -> Report',
      'Lower the ramp -> Open the gates',
      'Report -> Deck wet?',
      'Open the gates -> Deck wet?',
      'Deck wet? -yes-> Spread sand',
      'Deck wet? -no-> End',
      'Spread sand -> End',
    ].toSorted(),
  )
  const ramp = Object.values(figure.nodes).find((n) => n.text === 'Lower the ramp')
  expect([ramp?.actor, ramp?.detail]).toEqual(['Deck', 'By hand in frost'])
})

test('graphs of other programs: a tree is a hierarchy, words on links a map, diamonds a process, groups who acts', async () => {
  const tree = await figureOf('crew.dot', 'digraph { Master -> { Mate Purser } Mate -> Bosun }')
  expect([tree.kind, words(tree)]).toEqual(['hierarchy', ['Mate', 'Purser', 'Master', 'Bosun']])
  const map = await figureOf(
    'berth.gv',
    'graph "What bears" { wind -- berth [label="shifts"]; tide -- berth [label=lifts] // depth\n }',
  )
  expect([map.kind, told(map)]).toEqual(['concept', ['tide -lifts-> berth', 'wind -shifts-> berth']])
  const flow = await figureOf(
    'boarding.dot',
    'digraph { node [shape=box]; subgraph cluster_0 { label=Deck; a [label="Lower\\nthe ramp"]; q [shape=diamond, label=<<b>Wet?</b>>] } a -> q:n -> b [xlabel="x"]; b [label="Spread " + "sand"]; q -> a }',
  )
  expect([flow.kind, words(flow)]).toEqual(['process', ['Lower the ramp', 'Wet?', 'Spread sand']])
  expect(Object.values(flow.nodes).map((n) => [n.role, n.actor])).toEqual([
    ['step', 'Deck'],
    ['question', 'Deck'],
    ['step', undefined],
  ])
  const drawn = await figureOf(
    'crew.graphml',
    '<graphml xmlns="http://graphml.graphdrawing.org/xmlns" xmlns:v="urn:v"><key id="d0" for="node"/><graph edgedefault="directed"><node id="n0"><data key="d0"><v:Box><v:BoxLabel>Master</v:BoxLabel></v:Box></data></node><node id="n1"><data key="d0"><v:Box><v:BoxLabel>Mate</v:BoxLabel></v:Box></data></node><node id="n2"><data key="d0"><v:BoxLabel>Purser</v:BoxLabel></data></node><edge source="n0" target="n1"/><edge source="n0" target="n2"/></graph></graphml>',
  )
  expect([drawn.kind, words(drawn)]).toEqual(['hierarchy', ['Master', 'Mate', 'Purser']])
  const outline = await figureOf(
    'crew.opml',
    '<opml version="1.0"><head><title>Crew</title></head><body><outline text="Master"><outline text="Mate" _note="second"/></outline></body></opml>',
  )
  expect([outline.kind, outline.title, told(outline)]).toEqual(['hierarchy', 'Crew', ['Master -> Mate']])
})

test('tables are cells, without what is empty around them, whatever parts them', async () => {
  const found = await read('crew.csv', '\ufeff;;\r\nPost;Reports to;\r\nMate;"Master; or whoever stands for her";\r\n')
  expect(found).toMatchObject({
    as: 'sheets',
    sheets: [
      {
        rows: [
          ['Post', 'Reports to'],
          ['Mate', 'Master; or whoever stands for her'],
        ],
      },
    ],
  })
})
