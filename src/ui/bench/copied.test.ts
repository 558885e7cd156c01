import { outlineHtml } from './copied'

test('an outline becomes lists in lists, each closed, its signs words', () => {
  expect(outlineHtml('# Crew & deck\n\n1. Master <calm>\n   - yes:\n      - Sail\n   - no:\n2. Mate\n')).toBe(
    '<h1>Crew &amp; deck</h1><ol><li>Master &lt;calm&gt;<ul><li>yes:<ul><li>Sail</li></ul></li><li>no:</li></ul></li><li>Mate</li></ol>',
  )
  for (const odd of ['', '- a', '      - deep\n- up', 'plain\n\n- x\nmore']) {
    const html = outlineHtml(odd)
    for (const tag of ['ul', 'ol', 'li'])
      expect([odd, html.split(`<${tag}>`).length]).toEqual([odd, html.split(`</${tag}>`).length])
  }
})
