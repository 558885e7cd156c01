import { contrast, styleOf } from '.'

test('words stand out from what they are on, light and dark: at least 7 to 1 in shapes, 4.5 to 1 on the page', () => {
  for (const theme of ['light', 'dark'] as const) {
    const style = styleOf({ frame: 'slide-16x9', dress: { typeface: 'grotesk' } }, theme)
    const low = Object.entries(style.roles).filter(([, look]) => contrast(look.fill, look.text) < 7)
    expect(low).toEqual([])
    expect(contrast(style.page, style.connector.text)).toBeGreaterThan(4.5)
    expect(contrast(style.page, style.connector.line)).toBeGreaterThan(4.5)
  }
})
