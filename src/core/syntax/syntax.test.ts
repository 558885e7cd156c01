import { readFileSync } from 'node:fs'
import { shippedFile } from '@/server/home'
import { UnreadableWeights, createSyntax } from '.'

const file = readFileSync(shippedFile('public/syntax/english.bin'))
const syntax = createSyntax(file)

type Golden = { readonly text: string; readonly tokens: readonly (readonly [number, number, string, number, string])[] }
const golden = readFileSync('corpus/words/trees.jsonl', 'utf8')
  .split('\n')
  .filter((l) => l !== '')
  .map((l) => JSON.parse(l) as Golden)

test('tags, heads and relations are those of the library the weights come from', () => {
  let [all, tags, heads, relations] = [0, 0, 0, 0]
  for (const { text, tokens } of golden) {
    const nodes = syntax(
      text,
      tokens.map(([start, end]) => ({ start, end })),
    )
    tokens.forEach(([, , tag, head, relation], i) => {
      all++
      if (nodes[i]?.tag === tag) tags++
      if (nodes[i]?.head !== head) return
      heads++
      if (nodes[i]?.relation === relation) relations++
    })
  }
  expect(all).toBeGreaterThan(1500)
  // What is lost is lost to weights of eight bits.
  expect(tags / all).toBeGreaterThan(0.995)
  expect(heads / all).toBeGreaterThan(0.99)
  expect(relations / all).toBeGreaterThan(0.99)
})

test('words and their pieces: each word is one node, and every node leads to a root', () => {
  const text = "We don't lift well-known ramps; the mate's list can't be read aboard 12am ferries and/or boats."
  const words = [...text.matchAll(/[\p{L}\p{N}]+(?:['/-]\p{L}+)*|[^\s\p{L}]/gu)].map((m) => ({
    start: m.index,
    end: m.index + m[0].length,
  }))
  const nodes = syntax(text, words)
  expect(nodes).toHaveLength(words.length)
  const steps = nodes.map((_, i) => {
    let [at, k] = [i, 0]
    while (nodes[at]?.head !== at && k < 100) [at, k] = [nodes[at]?.head ?? -1, k + 1]
    return k
  })
  expect(Math.max(...steps)).toBeLessThan(100)
  expect(syntax('', [])).toEqual([])
})

test('a file that is cut or something else is refused with a sentence', () => {
  expect(() => createSyntax(file.subarray(0, 3))).toThrow(UnreadableWeights)
  expect(() => createSyntax(file.subarray(0, 5000))).toThrow(UnreadableWeights)
})
