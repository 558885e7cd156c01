import { arcCosine, cosine, distance, logarithm, sine } from './exact'

const near = (a: number, b: number) => Math.abs(a - b) <= 4e-15 * Math.max(1, Math.abs(b))

test('sine, cosine, arc cosine, logarithm and length are those of the engine but for the last digits', () => {
  const wrong: string[] = []
  for (let i = -4000; i <= 4000; i++) {
    const x = i * 0.0037
    if (!near(sine(x), Math.sin(x))) wrong.push(`sine ${x}`)
    if (!near(cosine(x), Math.cos(x))) wrong.push(`cosine ${x}`)
    if (!near(distance(x, 3), Math.hypot(x, 3))) wrong.push(`distance ${x}`)
    const v = i / 4000
    if (!near(arcCosine(v), Math.acos(v))) wrong.push(`arc cosine ${v}`)
    const p = (i + 4001) ** 3 / 1e7
    if (!near(logarithm(p), Math.log(p))) wrong.push(`logarithm ${p}`)
  }
  expect(wrong).toEqual([])
  expect([sine(0), cosine(0), logarithm(1), arcCosine(1), logarithm(0)]).toEqual([0, 1, 0, 0, -Infinity])
})
