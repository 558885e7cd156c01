/** The patterns of a first text, each with the figure it will read as. `[who?]` marks what somebody has to fill in. */
import type { FigureKind } from '@/core/figure'
import { lowerFirst } from '@/core/text'

type PatternRow = {
  /** As it stands in the interface. */
  readonly name: string
  readonly readsAs: FigureKind
  readonly text: (topic: string) => string
}

export const patterns = {
  procedure: {
    name: 'Procedure',
    readsAs: 'process',
    text: (t) => `# ${t}

[One sentence: when is this done, and what must be at hand?]

1. Check [what?].
2. Prepare [what?] for ${lowerFirst(t)}.
3. If [what can go wrong?], call [who?]. Otherwise go on.
4. Do [the main action].
5. Compare the result with [which standard?].
6. Report [what?] to [whom?].
`,
  },
  comparison: {
    name: 'Comparison',
    readsAs: 'venn',
    text: (t) => `# ${t}

## [First thing]

- [what only the first has?]
- [what only the first does?]
- [what both have?]

## [Second thing]

- [what only the second has?]
- [what only the second does?]
- [what both have?]
`,
  },
  roles: {
    name: 'Who does what',
    readsAs: 'hierarchy',
    text: (t) => `# ${t}

- [Who is responsible for it all?]
  - [First role]
    - [Who helps?]
    - [Who stands in?]
  - [Second role]
    - [Who helps?]
  - [Third role]
`,
  },
  connections: {
    name: 'How things hang together',
    readsAs: 'concept',
    text: (t) => `# ${t}

[First factor] causes [effect]. [Second factor] increases [effect]. [Measure] prevents [effect], and [measure] needs [resource]. [Effect] leads to [consequence].
`,
  },
  choice: {
    name: 'Choice between options',
    readsAs: 'decision',
    text: (t) => `# ${t}

Which way for ${lowerFirst(t)}?

- [First option]
  - Cost: [how much?]
  - Time: [how long?]
  - Risk: [what can happen?]
- [Second option]
  - Cost: [how much?]
  - Time: [how long?]
  - Risk: [what can happen?]
`,
  },
  overview: {
    name: 'Overview of points',
    readsAs: 'points',
    text: (t) => `# ${t}

- [First point]: [one sentence about it]
- [Second point]: [one sentence about it]
- [Third point]: [one sentence about it]
- [Fourth point]: [one sentence about it]
`,
  },
} as const satisfies Record<string, PatternRow>

export type DraftPattern = keyof typeof patterns
