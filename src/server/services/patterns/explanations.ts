import type { PatternRow } from './row'

export const explanations = {
  connections: {
    name: 'How things hang together',
    task: 'explain',
    readsAs: 'concept',
    hint: 'What causes, increases and prevents what',
    text: (t) => `# ${t}

[First factor] causes [effect]. [Second factor] increases [effect]. [Measure] prevents [effect], and [measure] needs [resource]. [Effect] leads to [consequence].
`,
  },
  causes: {
    name: 'Why something goes wrong',
    task: 'explain',
    readsAs: 'concept',
    hint: 'Causes that lead to one effect, and what helps',
    text: (t) => `# ${t}

[First cause] leads to [fault]. [Second cause] causes [fault]. [Fault] delays [what?]. [Check] prevents [first cause]. [Training] reduces [second cause].
`,
  },
  weather: {
    name: 'What bears on what',
    task: 'explain',
    readsAs: 'concept',
    hint: 'Forces from outside, and what they do to the work',
    text: (t) => `# ${t}

[Wind] increases [swell]. [Swell] causes [movement at the berth]. [Tide] affects [height of the ramp]. [Movement at the berth] delays [loading]. [Fenders] reduce [movement at the berth].
`,
  },
  parts: {
    name: 'What something is made of',
    task: 'explain',
    readsAs: 'hierarchy',
    hint: 'A thing, its parts, and the parts of those',
    text: (t) => `# ${t}

- [The whole thing]
  - [First part]
    - [its upper piece]
    - [its lower piece]
  - [Second part]
    - [what holds it]
    - [what moves it]
  - [Third part]
    - [what shuts it]
`,
  },
} as const satisfies Record<string, PatternRow>
