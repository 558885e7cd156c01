import { apply, settingAside } from '../document'
import { figureSchema, type Figure } from '../figure'
import { proveFigure, proveTogether } from '../prove'
import { plainWardrobe } from '../style'
import { english } from '../words'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { sketch } from '../testing/sketch'
import { figureRules, folioRules, pictureRules, type Finding } from '.'

const set = shippedTypesetter()
const proved = (figure: Figure): Finding[] => proveFigure(figure, plainWardrobe('light'), set)
const rulesOf = (figure: Figure): string[] => proved(figure).map((f) => f.rule)

test.each([...figureRules, ...pictureRules].map((r) => [r.id, r] as const))(
  '%s: its example fires, its counter-example does not; what it finds names parts that are there; each mend leaves a sound figure without it',
  (id, rule) => {
    const [wrong, right] = [sketch(rule.fires), sketch(rule.quiet)]
    const found = proved(wrong).filter((f) => f.rule === id)
    expect(found.length).toBeGreaterThan(0)
    expect(rulesOf(right)).not.toContain(id)
    for (const { parts, mends, key, says } of found) {
      for (const part of parts) expect(wrong.nodes[part] ?? wrong.links[part]).toBeDefined()
      expect(english(says)).not.toMatch(/[{}]/)
      for (const { edits } of mends) {
        const mended = edits.reduce((f, { edit }) => apply(f, edit).figure, wrong)
        expect(figureSchema.safeParse(mended).error?.issues).toBeUndefined()
        expect(proved(mended).map((f) => f.key)).not.toContain(key)
      }
    }
  },
)

test('every rule has a name of its own', () => {
  const ids = [...figureRules, ...pictureRules, ...folioRules].map((r) => r.id)
  expect(new Set(ids).size).toBe(ids.length)
  expect(ids.length).toBeGreaterThan(45)
})

test('what is set aside stays so, with its reason, until it is taken back', () => {
  const wrong = sketch('points; a point Ropes; b point Ropes')
  const [fault] = proved(wrong).filter((f) => f.rule === 'same-words')
  const aside = apply(wrong, settingAside(wrong, fault?.key ?? '', 'Two sorts of ropes')).figure
  expect(proved(aside).find((f) => f.rule === 'same-words')?.aside).toBe('Two sorts of ropes')
  const back = apply(aside, settingAside(aside, fault?.key ?? '', null)).figure
  expect(back.setAside).toBeUndefined()
  expect(proved(back).find((f) => f.rule === 'same-words')?.aside).toBeNull()
})

describe('figures and text together', () => {
  const together = (
    text: string,
    figures: readonly Figure[],
    passages: readonly (readonly [string, string | null])[] = [],
  ) =>
    proveTogether({
      text,
      figures: figures.map((f, i) => ({ ...f, id: `f${i + 1}` })),
      passages: new Map(passages),
      terms: ['ETD'],
    })
  const of = (findings: readonly Finding[], rule: string) => findings.filter((f) => f.rule === rule)
  const crew = sketch('hierarchy; a item Crew; b item Deck hands; c item Night boat; a>b; a>c')

  test('one thing under two names, put right in all figures', () => {
    const other = sketch('process; a step Moor @Deckhands; b step Sail @deck hands; a>b')
    const [found] = of(together('', [crew, other, crew]), 'two-names')
    expect(english(found?.says ?? { says: '' })).toBe('One thing under 2 names: “Deck hands” and “Deckhands”.')
    expect(found?.mends[0]?.edits.map((e) => e.figure)).toEqual(['f2'])
    const mended = found?.mends[0]?.edits.reduce((f, e) => apply(f, e.edit).figure, other) as Figure
    expect(Object.values(mended.nodes).map((n) => n.actor)).toEqual(['Deck hands', 'deck hands'])
    expect(of(together('', [crew, mended, crew]), 'two-names')).toEqual([])
  })

  test('abbreviations that neither the text nor a glossary explains, each once', () => {
    const figure = sketch(
      'process; a step Report the ETA; b step Note the ETD; c step Call the VTS; d step Send the ETA; a>b; b>c; c>d',
    )
    expect(of(together('The vessel traffic service answers.', [figure]), 'unexplained').map((f) => f.parts)).toEqual([
      ['a', 'd'],
    ])
    expect(of(together('ETA means when she arrives. VTS (vessel traffic service)', [figure]), 'unexplained')).toEqual(
      [],
    )
  })

  test('figures and their numbers in the text', () => {
    const text = 'Figure 1 shows the crew; see also Fig. 4.'
    const found = together(text, [crew, crew, crew])
    expect(of(found, 'not-mentioned').map((f) => f.figure)).toEqual(['f2', 'f3'])
    expect(of(found, 'no-such-figure').map((f) => english(f.says))).toEqual([
      'The text speaks of figure 4; there are 3.',
    ])
    expect(of(together('Figures are nice.', [crew]), 'not-mentioned')).toEqual([])
  })

  test('lines that the others have, drift, translations', () => {
    const captioned = { ...crew, caption: 'The crew' }
    const read = { ...crew, passage: { start: 0, end: 18 }, wasRead: { ...crew.wasRead, text: 'Crew:  deck hands.' } }
    const half = { ...crew, wordings: { de: { 'n:a:text': { text: 'Mannschaft', of: 'Crew' } } } }
    const found = together('', [captioned, captioned, read, half, captioned], [['f3', 'crew: night hands']])
    expect(of(found, 'no-caption').map((f) => f.figure)).toEqual(['f3', 'f4'])
    expect(of(found, 'drift').map((f) => f.figure)).toEqual(['f3'])
    expect(of(found, 'translation').map((f) => [f.figure, f.parts])).toEqual([['f4', ['b', 'c']]])
    expect(of(together('', [read], [['f1', 'Crew: deck hands']]), 'drift')).toEqual([])
    expect(of(together('', [read], [['f1', null]]), 'drift')).toHaveLength(1)
  })

  test('a member that the text puts elsewhere, put back as the text has it', () => {
    const text = 'Night boat and day boat'
    const drawn = (sets: string) =>
      sketch(`venn; a set Night boat; b set Day boat; m member Cabins # a; n member Ramp # ${sets}`)
    const wrong = { ...drawn('a'), id: 'f1' }
    const found = proveTogether({
      ...{ text, figures: [wrong], passages: new Map([['f1', text]]), terms: [] },
      reread: () => drawn('a b'),
    }).filter((f) => f.rule === 'text-otherwise')
    expect(found.map((f) => [f.parts, english(f.says)])).toEqual([
      [['n'], '“Ramp”: the text puts it into “Night boat” and “Day boat”.'],
    ])
    const mended = found[0]?.mends[0]?.edits.reduce((f, e) => apply(f, e.edit).figure, wrong as Figure)
    expect(mended?.nodes.n?.memberOf).toEqual(['a', 'b'])
  })
})
