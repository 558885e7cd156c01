/** Files that nobody honest sends. `clean` where one is read all the same: true, or what must be in what came of it. */
import { strToU8, zipSync } from 'fflate'
import { deflateSync, gzipSync } from 'node:zlib'

export type Hostile = { readonly name: string; readonly bytes: Uint8Array; readonly clean?: true | RegExp }

const text = (s: string): Uint8Array => strToU8(s)
const zip = (parts: Readonly<Record<string, string | Uint8Array>>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(parts).map(([n, d]) => [n, typeof d === 'string' ? text(d) : d])))

const W = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"'
const TYPES =
  '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>'
const RELS =
  '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>'
const docx = (document: string, more: Readonly<Record<string, string | Uint8Array>> = {}): Uint8Array =>
  zip({ '[Content_Types].xml': TYPES, '_rels/.rels': RELS, 'word/document.xml': document, ...more })
const paragraph = (words: string): string => `<w:p><w:r><w:t>${words}</w:t></w:r></w:p>`
const body = (inner: string, before = ''): string =>
  `<?xml version="1.0"?>${before}<w:document ${W}><w:body>${inner}</w:body></w:document>`

const BOMB =
  '<!DOCTYPE a [<!ENTITY a "ferry ferry ferry">' +
  Array.from(
    { length: 12 },
    (_, i) => `<!ENTITY ${'abcdefghijklm'[i + 1]} "${`&${'abcdefghijklm'[i]};`.repeat(10)}">`,
  ).join('') +
  ']>'
const XXE = '<!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]>'
const odt = (content: string, kind = 'text'): Uint8Array =>
  zip({ mimetype: `application/vnd.oasis.opendocument.${kind}`, 'content.xml': content })
const OFFICE =
  'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"'
const workbook = (sheet: string, before = ''): Uint8Array =>
  zip({
    '[Content_Types].xml':
      '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>',
    '_rels/.rels':
      '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>',
    'xl/workbook.xml': `<?xml version="1.0"?>${before}<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="Crew" sheetId="1" r:id="r1"/></sheets></workbook>`,
    'xl/_rels/workbook.xml.rels':
      '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>',
    'xl/worksheets/sheet1.xml': sheet,
  })
const SHEET = 'xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"'
const cells = (row: string): string =>
  `<?xml version="1.0"?><worksheet ${SHEET}><sheetData>${row}</sheetData></worksheet>`

/** A part that says it is small and is not. */
function lying(): Uint8Array {
  const honest = docx(body(paragraph('x'.repeat(3_000_000))))
  const bytes = Buffer.from(honest)
  for (let at = bytes.indexOf('PK\x01\x02', 0, 'latin1'); at >= 0; at = bytes.indexOf('PK\x01\x02', at + 4, 'latin1'))
    bytes.writeUInt32LE(40, at + 24)
  return new Uint8Array(bytes)
}
const deep = (open: string, close: string, times: number, inner = ''): string =>
  open.repeat(times) + inner + close.repeat(times)
const swollen = (): Uint8Array =>
  zip({ '[Content_Types].xml': TYPES, '_rels/.rels': RELS, 'word/document.xml': new Uint8Array(110_000_000).fill(32) })
const torn = (bytes: Uint8Array, share: number): Uint8Array => bytes.subarray(0, Math.floor(bytes.length * share))
const honestDocx = (): Uint8Array => docx(body(paragraph('Check the moorings') + paragraph('Lower the ramp')))
const pdf = (objects: string): Uint8Array => text(`%PDF-1.7\n${objects}\ntrailer<</Root 1 0 R>>\n%%EOF`)
const graphml = (inner: string, before = ''): string =>
  `<?xml version="1.0"?>${before}<graphml xmlns="http://graphml.graphdrawing.org/xmlns">${inner}</graphml>`
const mail = (more: string): Uint8Array =>
  text(`From: mate@gannet.example\r\nSubject: Ramp\r\nMIME-Version: 1.0\r\n${more}`)
/** As random as is needed, and the same every time. */
function noise(length: number, seed = 7): Uint8Array {
  let state = seed
  return Uint8Array.from({ length }, () => (state = (state * 1103515245 + 12345) & 0x7fffffff) >> 16)
}

export function hostileFiles(): Hostile[] {
  const many = Object.fromEntries(Array.from({ length: 21_000 }, (_, i) => [`word/part${i}.xml`, '<a/>']))
  return [
    { name: 'swollen.docx', bytes: swollen() },
    { name: 'swollen.xlsx', bytes: zip({ 'xl/workbook.xml': new Uint8Array(115_000_000) }) },
    {
      name: 'swollen.odt',
      bytes: zip({
        mimetype: 'application/vnd.oasis.opendocument.text',
        'content.xml': new Uint8Array(118_000_000).fill(97),
      }),
    },
    { name: 'swollen.pptx', bytes: zip({ 'ppt/presentation.xml': new Uint8Array(118_000_000).fill(60) }) },
    { name: 'swollen.epub', bytes: zip({ 'META-INF/container.xml': new Uint8Array(118_000_000).fill(60) }) },
    { name: 'lying.docx', bytes: lying() },
    { name: 'many-parts.docx', bytes: zip({ ...many, 'word/document.xml': body('') }) },
    { name: 'climbing.docx', bytes: docx(body(paragraph('x')), { '../../etc/cron.d/x': 'x' }) },
    { name: 'absolute.docx', bytes: docx(body(paragraph('x')), { '/etc/x': 'x' }) },
    { name: 'windows.docx', bytes: docx(body(paragraph('x')), { 'C:\\x': 'x' }) },
    { name: 'entities.docx', bytes: docx(body(paragraph('&l;'), BOMB)) },
    { name: 'outside.docx', bytes: docx(body(paragraph('&x;'), XXE)) },
    {
      name: 'deep.docx',
      bytes: docx(body(deep('<w:sdt><w:sdtContent>', '</w:sdtContent></w:sdt>', 40_000, paragraph('x')))),
      clean: true,
    },
    {
      name: 'deep-tables.docx',
      bytes: docx(body(deep('<w:tbl><w:tr><w:tc>', '</w:tc></w:tr></w:tbl>', 6_000, paragraph('x')))),
      clean: true,
    },
    {
      name: 'macros.docx',
      bytes: docx(body(paragraph('Check the moorings')), { 'word/vbaProject.bin': noise(2000) }),
      clean: /macros/,
    },
    { name: 'torn.docx', bytes: torn(honestDocx(), 0.6) },
    { name: 'head-only.docx', bytes: honestDocx().subarray(0, 30) },
    { name: 'no-text.docx', bytes: docx(body('')) },
    { name: 'broken.docx', bytes: docx('<w:document><w:body>') },
    { name: 'not-xml.docx', bytes: docx('{"a": 1}') },
    {
      name: 'link.docx',
      bytes: docx(
        body(
          `${paragraph('Check')}<w:p><w:hyperlink r:id="r9" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><w:r><w:t>here</w:t></w:r></w:hyperlink></w:p>`,
        ),
        {
          'word/_rels/document.xml.rels':
            '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r9" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/hyperlink" Target="file:///etc/passwd" TargetMode="External"/></Relationships>',
        },
      ),
      clean: /Check/,
    },
    { name: 'entities.xlsx', bytes: workbook(cells('<row><c t="inlineStr"><is><t>x</t></is></c></row>'), BOMB) },
    {
      name: 'entities-sheet.xlsx',
      bytes: workbook(
        `<?xml version="1.0"?>${BOMB}<worksheet ${SHEET}><sheetData><row><c t="inlineStr"><is><t>&l;</t></is></c></row></sheetData></worksheet>`,
      ),
    },
    {
      name: 'far-cell.xlsx',
      bytes: workbook(cells('<row r="1048576"><c r="XFD1048576" t="inlineStr"><is><t>x</t></is></c></row>')),
      clean: true,
    },
    { name: 'torn.xlsx', bytes: torn(workbook(cells('')), 0.5) },
    {
      name: 'formula.csv',
      bytes: text('Post,Note\nMaster,"=HYPERLINK(""http://x"",""y"")"\nMate,@SUM(1)\n'),
      clean: /HYPERLINK/,
    },
    { name: 'prototype.csv', bytes: text('__proto__,constructor\na,b\nc,d\n'), clean: true },
    { name: 'one-line.csv', bytes: text('a,'.repeat(400_000)), clean: true },
    { name: 'quote.csv', bytes: text(`"${'a,b\n'.repeat(200_000)}`), clean: true },
    {
      name: 'entities.odt',
      bytes: odt(
        `<?xml version="1.0"?>${BOMB}<office:document-content ${OFFICE}><office:body><office:text><text:p>&l;</text:p></office:text></office:body></office:document-content>`,
      ),
    },
    {
      name: 'deep.odt',
      bytes: odt(
        `<office:document-content ${OFFICE}><office:body><office:text>${deep('<text:list><text:list-item>', '</text:list-item></text:list>', 30_000)}</office:text></office:body></office:document-content>`,
      ),
    },
    {
      name: 'spaces.odt',
      bytes: odt(
        `<office:document-content ${OFFICE}><office:body><office:text><text:p>a<text:s text:c="2000000000"/>b</text:p></office:text></office:body></office:document-content>`,
      ),
      clean: /a b|a {2,}b/,
    },
    {
      name: 'columns.ods',
      bytes: odt(
        `<office:document-content ${OFFICE}><office:body><office:spreadsheet><table:table table:name="x"><table:table-row table:number-rows-repeated="1000000"><table:table-cell table:number-columns-repeated="1000000"><text:p>x</text:p></table:table-cell></table:table-row></table:table></office:spreadsheet></office:body></office:document-content>`,
        'spreadsheet',
      ),
      clean: true,
    },
    {
      name: 'entities.svg',
      bytes: text(`<?xml version="1.0"?>${BOMB}<svg xmlns="http://www.w3.org/2000/svg"><text>&l;</text></svg>`),
    },
    {
      name: 'script.svg',
      bytes: text('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>'),
    },
    { name: 'figure-bomb.png', bytes: figureBomb() },
    { name: 'entities.graphml', bytes: text(graphml('<graph edgedefault="directed"><node id="&l;"/></graph>', BOMB)) },
    {
      name: 'deep.graphml',
      bytes: text(graphml(deep('<graph edgedefault="directed"><node id="a">', '</node></graph>', 20_000))),
    },
    {
      name: 'loop.graphml',
      bytes: text(
        graphml(
          '<graph edgedefault="directed"><node id="a"/><node id="b"/><edge source="a" target="b"/><edge source="b" target="a"/><edge source="a" target="gone"/></graph>',
        ),
      ),
      clean: true,
    },
    {
      name: 'many.graphml',
      bytes: text(
        graphml(
          `<graph edgedefault="directed">${Array.from({ length: 60_000 }, (_, i) => `<node id="n${i}"/>`).join('')}</graph>`,
        ),
      ),
      clean: true,
    },
    {
      name: 'entities.opml',
      bytes: text(`<?xml version="1.0"?>${BOMB}<opml version="2.0"><body><outline text="&l;"/></body></opml>`),
    },
    {
      name: 'deep.opml',
      bytes: text(`<opml version="2.0"><head/><body>${deep('<outline text="a">', '</outline>', 50_000)}</body></opml>`),
    },
    {
      name: 'outside.bpmn',
      bytes: text(
        `<?xml version="1.0"?>${XXE}<definitions xmlns="http://www.omg.org/spec/BPMN/20100524/MODEL"><process id="p"><task id="t" name="&x;"/></process></definitions>`,
      ),
    },
    {
      name: 'loop.bpmn',
      bytes: text(
        '<definitions xmlns="http://www.omg.org/spec/BPMN/20100524/MODEL"><process id="p"><exclusiveGateway id="a"/><exclusiveGateway id="b"/><task id="t" name="Sound the horn"/><sequenceFlow id="f" sourceRef="a" targetRef="b"/><sequenceFlow id="g" sourceRef="b" targetRef="a"/></process></definitions>',
      ),
      clean: /Sound the horn/,
    },
    { name: 'deep.dot', bytes: text(`digraph {${deep('subgraph {', '}', 40_000, 'a')}}`) },
    {
      name: 'edges.dot',
      bytes: text(`digraph { ${Array.from({ length: 3000 }, (_, i) => `n${i}`).join(' -> ')} }`),
      clean: true,
    },
    { name: 'label.dot', bytes: text(`digraph { a [label=<${'<b>'.repeat(100_000)}>] }`), clean: true },
    { name: 'quote.dot', bytes: text('digraph { a [label="never ends }') },
    { name: 'groups.rtf', bytes: text(`{\\rtf1 ${'{'.repeat(300_000)}x${'}'.repeat(300_000)}}`), clean: true },
    { name: 'binary.rtf', bytes: text('{\\rtf1 {\\object\\bin2000000000 xyz} Check the moorings\\par}'), clean: true },
    { name: 'broken.rtf', bytes: text("{\\rtf1 \\u-99999999999 \\'zz {\\*\\x"), clean: true },
    { name: 'noise.pdf', bytes: Uint8Array.from([...text('%PDF-1.7\n'), ...noise(60_000)]) },
    {
      name: 'loop.pdf',
      bytes: pdf('1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[2 0 R]/Count 1>>endobj'),
    },
    {
      name: 'count.pdf',
      bytes: pdf('1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 2000000000>>endobj'),
    },
    {
      name: 'script.pdf',
      bytes: pdf(
        '1 0 obj<</Type/Catalog/Pages 2 0 R/OpenAction<</S/JavaScript/JS(app.alert(1))>>>>endobj 2 0 obj<</Type/Pages/Kids[]/Count 0>>endobj',
      ),
    },
    { name: 'deep.html', bytes: text(`<html><body>${'<div>'.repeat(60_000)}Check the moorings`), clean: true },
    {
      name: 'script.html',
      bytes: text(
        '<html><body><script>alert("x")</script><p onclick="x()">Check the moorings</p><iframe src="http://x"></iframe></body></html>',
      ),
      clean: /^(?!.*alert)/s,
    },
    { name: 'attributes.html', bytes: text(`<p ${'a="b" '.repeat(200_000)}>Check the moorings</p>`), clean: true },
    { name: 'nested.eml', bytes: mail(nestedParts(400)), clean: true },
    {
      name: 'boundary.eml',
      bytes: mail(`Content-Type: multipart/mixed; boundary="${'b'.repeat(5000)}"\r\n\r\n--x`),
      clean: true,
    },
    { name: 'header.eml', bytes: mail(`X: ${'a'.repeat(3_000_000)}\r\n\r\nCheck the moorings`), clean: true },
    {
      name: 'entities.epub',
      bytes: zip({
        'META-INF/container.xml': `<?xml version="1.0"?>${BOMB}<container><rootfiles><rootfile full-path="&l;"/></rootfiles></container>`,
      }),
    },
    {
      name: 'climbing.epub',
      bytes: zip({
        'META-INF/container.xml':
          '<container xmlns="urn:oasis:names:tc:opendocument:xmlns:container"><rootfiles><rootfile full-path="../../../etc/passwd"/></rootfiles></container>',
      }),
    },
    { name: 'old.doc', bytes: Uint8Array.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1, ...noise(4000)]) },
    { name: 'packed.gz', bytes: new Uint8Array(gzipSync(Buffer.alloc(5_000_000))) },
    { name: 'empty.docx', bytes: new Uint8Array(0) },
    { name: 'noise.docx', bytes: noise(100_000) },
    { name: 'zeros.txt', bytes: new Uint8Array(5_000_000) },
    { name: 'long.txt', bytes: text('Check the moorings. '.repeat(400_000)) },
  ]
}

function nestedParts(times: number): string {
  const open = Array.from(
    { length: times },
    (_, i) => `Content-Type: multipart/mixed; boundary="b${i}"\r\n\r\n--b${i}\r\n`,
  )
  return `${open.join('')}Content-Type: text/plain\r\n\r\nCheck the moorings\r\n`
}

/** A picture whose figure would unpack to hundreds of megabytes. */
function figureBomb(): Uint8Array {
  const data = Buffer.concat([
    Buffer.from('IdleCompassFigure\0\x01\0\0\0', 'latin1'),
    deflateSync(Buffer.alloc(200_000_000, 32)),
  ])
  const length = Buffer.alloc(4)
  length.writeUInt32BE(data.length)
  return new Uint8Array(
    Buffer.concat([
      Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
      length,
      Buffer.from('iTXt'),
      data,
      Buffer.alloc(4),
    ]),
  )
}
