import { steps } from '../testing/steps'
import { apply, found, replaced } from '.'

test('words are found in steps, details and answers, and replaced as they are written', () => {
  const f = steps('Check the ramp', 'Lower the Ramp (stern)', 'Load')
  const told = { ...f, nodes: { ...f.nodes, c: { ...f.nodes.c, detail: 'over the ramp' } } } as typeof f
  expect(found(told, 'ramp')).toEqual(['a', 'b', 'c'])
  expect(found(told, '')).toEqual([])
  const { figure, inverse } = apply(told, replaced(told, 'ramp', '$& gangway'))
  expect([figure.nodes.a?.text, figure.nodes.b?.text, figure.nodes.c?.detail]).toEqual([
    'Check the $& gangway',
    'Lower the $& gangway (stern)',
    'over the $& gangway',
  ])
  expect(apply(figure, inverse).figure).toEqual(told)
  expect(apply(told, replaced(told, '(stern)', '')).figure.nodes.b?.text).toBe('Lower the Ramp ')
})
