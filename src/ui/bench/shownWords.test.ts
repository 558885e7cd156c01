import { apply } from '@/core/document'
import { inLanguage, type Figure } from '@/core/figure'
import { seededOfKind } from '@/core/testing/seededFigure'
import { shownWords } from './shownWords'

const bare = seededOfKind('process', 4)
const [node] = Object.values(bare.nodes) as [Figure['nodes'][string]]
const part = { kind: 'node', id: node.id } as const
const german: Figure = {
  ...bare,
  language: 'en',
  wordings: { de: { [`n:${node.id}:text`]: { text: 'Rampe prüfen', of: node.text, offered: true } } },
}

test('what is typed on the stage changes the words that stand there, in the language they are in', () => {
  const shown = shownWords(german, part, 'de')
  expect(shown).toMatchObject({ language: 'de', value: 'Rampe prüfen' })
  const { figure } = apply(german, shown.write('Rampe senken'))
  expect(figure.nodes[node.id]).toEqual(german.nodes[node.id])
  expect(inLanguage(figure, 'de').nodes[node.id]?.text).toBe('Rampe senken')
  // Looked at by a person, it is no longer merely offered.
  expect(figure.wordings?.de?.[`n:${node.id}:text`]?.offered).toBeUndefined()
})

test('a figure in its own language, or in one it has no words in, is changed itself', () => {
  for (const language of [null, 'en', 'ar']) {
    const shown = shownWords(german, part, language)
    expect(shown).toMatchObject({ language: null, value: node.text })
    expect(apply(german, shown.write('Lower the ramp')).figure.nodes[node.id]?.text).toBe('Lower the ramp')
  }
})

test('what has no words yet is given its own first', () => {
  const empty = { ...german, nodes: { ...german.nodes, [node.id]: { ...node, text: '' } } }
  expect(shownWords(empty, part, 'de').language).toBeNull()
})
