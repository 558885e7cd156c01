import { existsSync, readFileSync } from 'node:fs'
import { shippedFile } from '@/server/home'
import { iconAt } from '@/server/iconFiles'
import { formsOf, iconFamilies, iconsFor, inFamily, type IconIndex } from '.'

const file = shippedFile('public/icons/index.json')
const index = JSON.parse(readFileSync(file, 'utf8')) as IconIndex
const labels = readFileSync(shippedFile('src/core/testing/iconLabels.txt'), 'utf8')
  .split('\n')
  .filter((l) => l && !l.startsWith('#'))
  .map((l) => l.split(': ') as [label: string, words: string])

/** The first, and any of nine, by labels with words of names that would serve; measured as 0.64 and 0.83, 0.55 and 0.70. */
const LEAST = { line: [0.62, 0.81], fill: [0.53, 0.67] } as const

test.each(iconFamilies)('icons of the family %s serve most labels that were written before the matcher', (family) => {
  const serves = ([, words]: [string, string], icon: string | undefined): boolean =>
    (icon?.split('/')[1]?.split('-') ?? []).some((part) => words.split(' ').includes(part))
  const found = labels.map((l) => ({ l, icons: iconsFor(l[0], index, family) }))
  const share = (held: (f: (typeof found)[number]) => boolean) => found.filter(held).length / labels.length
  expect(labels.length).toBeGreaterThanOrEqual(200)
  expect(share((f) => serves(f.l, f.icons[0]))).toBeGreaterThan(LEAST[family][0])
  expect(share((f) => f.icons.some((i) => serves(f.l, i)))).toBeGreaterThan(LEAST[family][1])
})

test('thousands of icons are known, each can be drawn, and none is the sign of a firm', () => {
  expect(existsSync(file)).toBe(true)
  expect(index.icons.length).toBeGreaterThan(5000)
  const some = index.icons.filter((_, i) => i % 40 === 0)
  expect(some.filter((i) => (iconAt(i)?.paths.length ?? 0) === 0)).toEqual([])
  expect(index.icons.filter((i) => /brand-|-logo/.test(i))).toEqual([])
  for (const name of ['line/../../../package', 'line/none-of-these', 'other/anchor', ''])
    expect(iconAt(name)).toBeNull()
})

test('words are known by their plain forms', () => {
  expect(formsOf('lorries')).toContain('lorry')
  expect(formsOf('stopped')).toContain('stop')
  expect(formsOf('closing')).toContain('close')
})

test('an icon has its counterpart in the other family where one shows the same, and what is there can be drawn', () => {
  expect(inFamily('line/anchor', 'fill')).toBe('fill/anchor')
  expect(inFamily('fill/anchor', 'line')).toBe('line/anchor')
  expect(inFamily('line/anchor', 'line')).toBe('line/anchor')
  const own = `stencil/${'a'.repeat(64)}`
  expect(inFamily(own, 'fill')).toBe(own)
  const others = index.icons.flatMap((i) => iconFamilies.flatMap((f) => (inFamily(i, f) === i ? [] : [inFamily(i, f)])))
  expect(others.length).toBeGreaterThan(900)
  expect(others.filter((i) => iconAt(i) === null)).toEqual([])
})
