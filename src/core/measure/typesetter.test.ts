import { readFileSync } from 'node:fs'
import { fontFile } from '@/server/fontFiles'
import { fontChain, fontKeys } from '../style'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { coverageOf } from './coverage'
import coverage from './fontCoverage.json' with { type: 'json' }
import { MissingFont, createTypesetter } from './typesetter'

const typesetter = shippedTypesetter()
const fonts = fontChain('grotesk', 'body')

test('lines are no wider than their room and lose no word, in every script', () => {
  const texts = [
    'Check the whistle, the light and the straps of each life-jacket',
    'घाट पर रस्सियों की जाँच करें और रैंप नीचे करें',
    'تحقق من حبال الإرساء ثم أنزل المنحدر ببطء',
    'Проверить швартовы и опустить аппарель',
    'A→B ≥ 3 ✓ mixed घाट and ramp',
  ]
  for (const text of texts)
    for (const room of [80, 140, 300]) {
      const lines = typesetter.paragraph(text, fonts, 16, room)
      expect(
        lines
          .map((l) => l.text)
          .join('')
          .replace(/\s+/g, ''),
      ).toBe(text.replace(/\s+/g, ''))
      const widest = Math.max(...lines.map((l) => l.width))
      const longestWord = Math.max(...text.split(' ').map((w) => typesetter.line(w, fonts, 16).width))
      expect(widest).toBeLessThanOrEqual(Math.max(room, longestWord) + 0.1)
    }
})

test('a long word makes its paragraph wider before it is broken; a broken word has hyphens, an address has none', () => {
  const set = (text: string, room: number) => typesetter.paragraph(text, fonts, 16, room)
  const whole = set('Überprüfen Sie die Festmacherleinen', 100)
  expect(whole.map((l) => l.text)).toContain('Festmacherleinen')
  const word = 'Rettungswestenkontrollverzeichnisnummer'
  const broken = set(`Die ${word} steht außen`, 80)
  expect(broken.length).toBeGreaterThan(3)
  expect(
    broken
      .map((l) => l.text.replace(/-$/, ''))
      .join('')
      .replace(/\s/g, ''),
  ).toBe(`Die${word}steht außen`.replace(/\s/g, ''))
  expect(broken.filter((l) => l.text.endsWith('-')).length).toBeGreaterThan(0)
  for (const l of broken) expect(l.width).toBeLessThanOrEqual(80 * 1.6 + 0.1)
  const address = 'harbour@gannet-sound-ferries.example/berth/7'
  expect(
    set(address, 60)
      .map((l) => l.text)
      .join(''),
  ).toBe(address)
})

test('every script has glyphs in the shipped fonts, and what has none is said', () => {
  const shown = ['Überprüfen', 'घाट की जाँच', 'تحقق من المنحدر', 'Швартовы', '→ ≥ ✓']
  for (const text of shown) {
    expect(typesetter.missing(text, fonts)).toEqual([])
    expect(
      typesetter
        .line(text, fonts, 16)
        .runs.flatMap((r) => r.glyphs)
        .some((g) => g.id === 0),
    ).toBe(false)
  }
  expect(typesetter.missing('ramp 𓊝', fonts)).toEqual(['𓊝'])
})

test('right-to-left words stand from right to left, numbers inside them from left to right', () => {
  const runs = typesetter.line('ramp تحقق end', fonts, 16).runs
  expect(runs.filter((r) => r.text.trim()).map((r) => [r.text.trim(), r.rtl])).toEqual([
    ['ramp', false],
    ['تحقق', true],
    ['end', false],
  ])
  const pure = typesetter.line('أنزل 12 المنحدر', fonts, 16).runs
  expect(pure.find((r) => r.text.includes('12'))?.rtl).toBe(false)
  expect(pure[0]?.text.trim()).toBe('المنحدر')
})

test('controls, lone surrogates and direction overrides are not drawn', () => {
  expect(typesetter.line('ra\u0000m\u202ep\ud800', fonts, 16).text).toBe('ramp')
})

test('which font serves a character follows from the table, which is that of the fonts that ship, whatever is loaded', () => {
  const all = fontKeys.map((key) => ({ key, data: readFileSync(fontFile(key)) }))
  expect(Object.fromEntries(all.map((f) => [f.key, coverageOf(f.data)]))).toEqual(coverage)
  const texts = ['घाट (१) पर', 'تحقق', 'Ελέγξτε – Проверить', 'A→B ≥ 3 ✓', 'n° ⅔ ½ x₂', 'ramp 橋', '👩‍✈️ ⚓ ☂']
  for (const text of texts) {
    const whole = typesetter.line(text, fonts, 16)
    // With just the fonts it asks for, one after the other, in either order.
    for (const order of [all, all.toReversed()]) {
      const files = [...order.filter((f) => f.key === 'grotesk-400')]
      let line: unknown = null
      while (line === null)
        try {
          line = createTypesetter(files).line(text, fonts, 16)
        } catch (error) {
          if (!(error instanceof MissingFont)) throw error
          files.push(...order.filter((f) => f.key === error.key))
        }
      expect(line).toEqual(whole)
    }
  }
})
