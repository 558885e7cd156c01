import { deliverySchema, firstDelivery, formatIds, formats, queryFor, scaleFor } from './delivery'

const first = firstDelivery('light')
const asked = (query: string) => Object.fromEntries(new URLSearchParams(query))

test('a raster is as many pixels wide as is said, in each way of saying it', () => {
  expect(scaleFor({ ...first, size: 'times', times: 3 }, 605) * 605).toBeCloseTo(1815)
  expect(scaleFor({ ...first, size: 'pixels', pixels: 1600 }, 605) * 605).toBeCloseTo(1600)
  // 16 cm at 300 dots to the inch.
  expect(Math.round(scaleFor({ ...first, size: 'print', cm: 16, dpi: 300 }, 605) * 605)).toBe(1890)
})

test('every format asks the server for itself, for a size only where it has pixels, and says its dots only for print', () => {
  for (const format of formatIds) {
    const { format: named, scale, dpi, inside, theme } = asked(queryFor({ ...first, format, size: 'print' }, 605))
    expect([format, format.startsWith(named ?? '?')]).toEqual([format, true])
    expect([format, scale !== undefined, dpi !== undefined]).toEqual([
      format,
      formats[format].raster,
      formats[format].raster,
    ])
    expect([inside, theme]).toEqual(['yes', 'light'])
  }
  expect(asked(queryFor({ ...first, size: 'times' }, 605)).dpi).toBeUndefined()
})

test('what is remembered is taken only as long as it is sound', () => {
  expect(deliverySchema.safeParse(JSON.parse(JSON.stringify(first))).success).toBe(true)
  for (const wrong of [null, {}, { ...first, dpi: 1e9 }, { ...first, format: 'gif' }, { ...first, cm: Infinity }])
    expect(deliverySchema.safeParse(wrong).success).toBe(false)
})
