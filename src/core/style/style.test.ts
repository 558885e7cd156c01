import {
  checkStyle,
  coloursIn,
  contrast,
  inColours,
  schemeOf,
  houseStyles,
  paletteOf,
  treatments,
  treatmentsFor,
  type HouseStyle,
} from '.'
import { figureKinds } from '../figure'
import { arrangementsOf } from '../layout'
import { random, seededOfKind } from '../testing/seededFigure'
import { houseStyleSchema } from './houseStyleSchema'

const all = Object.entries<HouseStyle>(houseStyles)

test('every house style that ships holds to the checks, light and dark, and its preferred treatments exist', () => {
  const faults = all.flatMap(([name, style]) => [
    ...checkStyle(style).map((f) => `${name}, ${f.theme}: ${f.what} ${f.where} ${f.is.toFixed(2)}`),
    ...Object.entries(style.treatments).flatMap(([kind, t]) =>
      t in treatments[kind as keyof typeof treatments] ? [] : [`${name}: no treatment ${t} of ${kind}`],
    ),
    ...(houseStyleSchema.safeParse(style).success ? [] : [`${name}: not in its schema`]),
  ])
  expect(faults).toEqual([])
  expect(all.length).toBeGreaterThanOrEqual(12)
})

test('a style whose words fade, or whose roles look alike in grey, is found out', () => {
  const chart = houseStyles['chart-table']
  const pale: HouseStyle = { ...chart, light: { ...chart.light, ink: [0.8, 0.02, 230] } }
  expect(checkStyle(pale).some((f) => f.theme === 'light' && f.what === 'words')).toBe(true)
  const alike: HouseStyle = {
    ...chart,
    dark: { ...chart.dark, tones: { ...chart.dark.tones, accent: chart.dark.tones.main } },
  }
  expect(checkStyle(alike).map((f) => `${f.theme} ${f.what}`)).toContain('dark grey')
})

test('whatever the shade, words on its fill and on its tint can be read', () => {
  const { light } = houseStyles.fog
  const low: string[] = []
  for (let l = 0.05; l < 1; l += 0.09)
    for (let h = 0; h < 360; h += 40) {
      const { series } = paletteOf({
        ...light,
        series: [
          [l, 0.14, h],
          [0.5, 0.1, 20],
        ],
      })
      const tone = series[0]
      if (tone && (contrast(tone.solid, tone.onSolid) < 4.5 || contrast(tone.tint, tone.quietOnTint) < 4.5))
        low.push(`${l.toFixed(2)} ${h}`)
    }
  expect(low).toEqual([])
})

test('every arrangement of every kind can be dressed in three treatments at least, over ninety together', () => {
  const counts = figureKinds.flatMap((kind) =>
    arrangementsOf(kind).map((a) => ({
      of: `${kind} ${a.id}`,
      count: treatmentsFor({ ...seededOfKind(kind, 1), arrangement: a.id }).length,
    })),
  )
  expect(counts.filter((c) => c.count < 3)).toEqual([])
  expect(counts.reduce((sum, c) => sum + c.count, 0)).toBeGreaterThanOrEqual(90)
})

test('any one to six colours give a style that holds to the checks, light and dark, and says what it changed', () => {
  const next = random(3)
  const wrong: string[] = []
  for (let i = 0; i < 60; i++) {
    const colours = Array.from(
      { length: 1 + (i % 6) },
      () =>
        `#${Math.floor(next() * 0xffffff)
          .toString(16)
          .padStart(6, '0')}`,
    )
    const scheme = schemeOf(colours)
    const faults = scheme ? checkStyle(inColours(houseStyles.fog, scheme, 'Ours')) : []
    const words = faults.filter((f) => f.what !== 'grey')
    if (!scheme || words.length > 0 || scheme.notes.length !== colours.length)
      wrong.push(`${colours.join(' ')}: ${words.map((f) => `${f.theme} ${f.where} ${f.is.toFixed(2)}`).join(', ')}`)
  }
  expect(wrong).toEqual([])
  expect(coloursIn('#0a5c66, 0A5C66 #fff; rgb(10, 92, 102)')).toEqual(['#0a5c66', '#ffffff'])
  expect(coloursIn('teal and #0a5c66')).toBeNull()
  // Yellow cannot be a line on white: it says what is drawn instead.
  expect(schemeOf(['#ffe14d'])?.notes[0]?.shown).not.toBeNull()
})
