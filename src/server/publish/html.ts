/** A folio as one web page that needs nothing else: text, and figures as SVG that can be walked by keyboard, zoomed, shown light or
 *  dark and in each of their languages. Its one script is named by its hash; nothing is fetched. */
import { createHash } from 'node:crypto'
import { figuresWord, languagesOf, linksInOrder, nodesInOrder, readsLeft } from '@/core/figure'
import { escaped, svgFile } from '@/core/formats'
import { fontFaceOf, type Theme } from '@/core/style'
import { plainWords, type ManuscriptBlock, type Words } from '@/manuscript'
import { drawingOf, fontFaces } from '../figureFile'
import type { Drawing } from '../files/drawing'
import { jsonOf } from '../files/inside'
import { pageScript, pageStyle } from './htmlPage'
import { pageWords } from './pageWords'
import type { Publication, Published } from './publication'

export async function htmlOf(publication: Publication): Promise<Uint8Array> {
  const { title, language, options, blocks, figures, wardrobe } = publication
  const variants = new Map<string, Variant[]>()
  for (const f of figures) variants.set(f.figure.id, await variantsOf(f, publication))
  const style = figures[0]?.drawings[0]?.style
  const faces = {
    heading: style?.heading.fonts[0] ?? 'grotesk-600',
    body: style?.body.fonts[0] ?? 'grotesk-400',
  } as const
  const letters = [title, ...figures.map((f) => f.caption), ...(options.text ? blocks.map(textOf) : []), KEYBOARD].join(
    '',
  )
  const fonts = await fontFaces(
    [...variants.values()].flatMap((list) => list.map((v) => v.drawing.scene)),
    publication.brought.fonts,
    Object.values(faces).map((key) => [key, letters]),
  )
  const shown = (id: string) => {
    const found = figures.find((f) => f.figure.id === id)
    return found ? figureHtml(found, variants.get(id) ?? [], publication) : ''
  }
  const body = options.text
    ? blocks.map((b) => blockHtml(b, shown)).join('\n')
    : figures.map((f) => shown(f.figure.id)).join('\n')
  const languages = [...new Set(figures.flatMap(({ figure }) => [figure.language, ...languagesOf(figure)]))]
  const rtl = readsLeft(language)
  const say = pageWords(language)
  const hash = createHash('sha256').update(pageScript).digest('base64')
  return new TextEncoder().encode(`<!doctype html>
<html lang="${escaped(language)}"${rtl ? ' dir="rtl"' : ''} data-theme="${wardrobe.theme}">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; script-src 'sha256-${hash}'; style-src 'unsafe-inline'; img-src data:; font-src data:; base-uri 'none'; form-action 'none'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="generator" content="Idle Compass">
<title>${escaped(title)}</title>
<style>${fonts}:root{--heading:'${fontFaceOf(faces.heading).family}';--heading-weight:${fontFaceOf(faces.heading).weight};--body:'${fontFaceOf(faces.body).family}'}${pageStyle}</style>
</head>
<body>
<header>
<h1>${escaped(title)}</h1>
<div class="tools" lang="${say.language}">
<button type="button" data-do="theme" aria-pressed="${wardrobe.theme === 'dark'}">${say.dark}</button>
${languages.length > 1 ? `<label>${say.figureLanguage} <select data-do="language">${languages.map((l) => `<option value="${escaped(l)}">${escaped(nameOf(l, say.language))}</option>`).join('')}</select></label>` : ''}
</div>
</header>
<main>
${body}
</main>
<p class="say" role="status" aria-live="polite"></p>
${options.text && figures.length > 1 ? listOfFigures(figures, language) : ''}
<script>${pageScript}</script>
</body>
</html>
`)
}

/** Letters of the page itself. */
const KEYBOARD = ' abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789.,:;!?()+−-'
const textOf = (b: ManuscriptBlock): string => {
  if ('words' in b) return plainWords(b.words)
  if (b.block === 'list') return b.items.flat().map(textOf).join('')
  return b.block === 'table' ? b.rows.flatMap((r) => r.flatMap((c) => c.blocks.map(textOf))).join('') : ''
}

function nameOf(code: string, inLanguage: string): string {
  try {
    return new Intl.DisplayNames([inLanguage, 'en'], { type: 'language' }).of(code) ?? code
  } catch {
    // A tag that is none: shown as it is written.
    return code
  }
}

const listOfFigures = (figures: readonly Published[], language: string): string =>
  `<nav aria-labelledby="figures" class="figures"><h2 id="figures">${escaped(figuresWord(language))}</h2><ol>${figures.map((f) => `<li><a href="#figure-${f.number}">${escaped(f.caption)}</a></li>`).join('')}</ol></nav>`

type Variant = { readonly theme: Theme; readonly language: string; readonly drawing: Drawing }

/** A figure in both themes and all its languages. */
async function variantsOf({ drawings }: Published, { wardrobe, brought }: Publication): Promise<Variant[]> {
  const figure = drawings[0]?.figure
  if (!figure) return []
  const out: Variant[] = []
  for (const theme of ['light', 'dark'] as const)
    for (const language of [figure.language, ...languagesOf(figure)]) {
      const drawing = await drawingOf({ ...figure, shownIn: language }, { ...wardrobe, theme, language }, brought)
      out.push({ theme, language, drawing })
    }
  return out
}

function figureHtml(
  { figure, number, caption }: Published,
  variants: readonly Variant[],
  { options, figures, language, wardrobe }: Publication,
): string {
  const say = pageWords(language)
  const first = variants[0]?.drawing
  if (!first) return ''
  const pictures = variants.map(({ theme, language, drawing }, i) => {
    // Where no script runs, this one is seen.
    const first = theme === wardrobe.theme && language === figure.language ? ' on' : ''
    const svg = svgFile(drawing.scene, {
      ...{
        words: { as: 'text', ...drawing.images },
        background: options.background,
        title: drawing.shown.title || caption,
      },
      ...{ description: drawing.description, fontFaces: '' },
    })
    return `<div class="picture${first}" data-theme="${theme}" data-language="${escaped(language)}" lang="${escaped(language)}">${prepared(svg, `f${number}-${i}`)}</div>`
  })
  const insets = Object.fromEntries(
    Object.values(figure.nodes).flatMap((n) => {
      const held = n.inset && figures.find((f) => f.figure.id === n.inset)
      return held ? [[n.id, `#figure-${held.number}`]] : []
    }),
  )
  const inside = options.inside
    ? `<script type="application/json" class="inside">${jsonOf(figure).replace(/</g, '\\u003c')}</script>`
    : ''
  return `<figure id="figure-${number}" data-own="${escaped(figure.language)}" data-links="${escaped(JSON.stringify(linksInOrder(figure).map((l) => [l.id, l.from, l.to])))}" data-insets="${escaped(JSON.stringify(insets))}">
<div class="stage">${pictures.join('')}</div>
<div class="zoom" lang="${say.language}"><button type="button" data-do="larger" aria-label="${say.larger}">+</button><button type="button" data-do="smaller" aria-label="${say.smaller}">−</button><button type="button" data-do="whole">${say.whole}</button></div>
<figcaption>${escaped(caption)}</figcaption>
<details><summary lang="${say.language}">${say.inWords}</summary><p>${escaped(first.description)}</p><ul>${nodesInOrder(
    first.shown,
  )
    .map((n) => `<li>${escaped([n.text, n.detail].filter(Boolean).join(': '))}</li>`)
    .join('')}</ul></details>
${inside}</figure>`
}

/** Many pictures stand in one page: ids are made their own, and the size is left to the page. */
const prepared = (svg: string, prefix: string): string =>
  svg
    .replace(/^<\?xml[^>]*\?>\n/, '')
    .replace(/ width="[\d.]+" height="[\d.]+"/, '')
    .replace(
      /"(figure-title)( figure-description)?"/g,
      (_, a: string, b?: string) => `"${prefix}-${a}${b ? ` ${prefix}-${b.trim()}` : ''}"`,
    )
    .replace(/id="figure-description"/, `id="${prefix}-figure-description"`)
    .replace(/role="img" aria-labelledby/, 'role="group" aria-labelledby')

const wordsHtml = (words: Words): string =>
  words
    .map((w) => {
      if (!('strong' in w)) return '<br>'
      const inner = escaped(w.text)
      const em = w.em ? `<em>${inner}</em>` : inner
      return w.strong ? `<strong>${em}</strong>` : em
    })
    .join('')

function blockHtml(b: ManuscriptBlock, shown: (id: string) => string): string {
  switch (b.block) {
    case 'heading': {
      // The title of the folio is the one heading above all.
      const level = Math.min(6, b.level + 1)
      return `<h${level}>${wordsHtml(b.words)}</h${level}>`
    }
    case 'paragraph':
      return b.words.length === 0 ? '' : `<p>${wordsHtml(b.words)}</p>`
    case 'figure':
      return shown(b.id)
    case 'list': {
      const tag = b.first === null ? 'ul' : 'ol'
      const start = b.first !== null && b.first !== 1 ? ` start="${b.first}"` : ''
      return `<${tag}${start}>${b.items.map((item) => `<li>${item.map((x) => blockHtml(x, shown)).join('')}</li>`).join('')}</${tag}>`
    }
    case 'table':
      return `<div class="table"><table>${b.rows
        .map(
          (row) =>
            `<tr>${row
              .map((c) => {
                const tag = c.heading ? 'th' : 'td'
                const span = `${c.across > 1 ? ` colspan="${c.across}"` : ''}${c.down > 1 ? ` rowspan="${c.down}"` : ''}`
                return `<${tag}${span}>${c.blocks.map((x) => blockHtml(x, shown)).join('')}</${tag}>`
              })
              .join('')}</tr>`,
        )
        .join('')}</table></div>`
  }
}
