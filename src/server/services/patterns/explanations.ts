import type { PatternRow } from './row'
import { words } from '@/core/words'

export const explanations = {
  connections: {
    name: words('How things hang together'),
    task: 'explain',
    readsAs: 'concept',
    hint: words('What causes, increases and prevents what'),
    text: (t) => `# ${t}

[First factor] causes [effect]. [Second factor] increases [effect]. [Measure] prevents [effect], and [measure] needs [resource]. [Effect] leads to [consequence].
`,
  },
  causes: {
    name: words('Why something goes wrong'),
    task: 'explain',
    readsAs: 'concept',
    hint: words('Causes that lead to one effect, and what helps'),
    text: (t) => `# ${t}

[First cause] leads to [fault]. [Second cause] causes [fault]. [Fault] delays [what?]. [Check] prevents [first cause]. [Training] reduces [second cause].
`,
  },
  weather: {
    name: words('What bears on what'),
    task: 'explain',
    readsAs: 'concept',
    hint: words('Forces from outside, and what they do to the work'),
    text: (t) => `# ${t}

[Wind] increases [swell]. [Swell] causes [movement at the berth]. [Tide] affects [height of the ramp]. [Movement at the berth] delays [loading]. [Fenders] reduce [movement at the berth].
`,
  },
  parts: {
    name: words('What something is made of'),
    task: 'explain',
    readsAs: 'hierarchy',
    hint: words('A thing, its parts, and the parts of those'),
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
