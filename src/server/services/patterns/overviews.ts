import type { PatternRow } from './row'
import { words } from '@/core/words'

export const overviews = {
  overview: {
    name: words('Overview of points'),
    task: 'overview',
    readsAs: 'points',
    hint: words('Four or five points, each with a sentence'),
    text: (t) => `# ${t}

- [First point]: [one sentence about it]
- [Second point]: [one sentence about it]
- [Third point]: [one sentence about it]
- [Fourth point]: [one sentence about it]
`,
  },
  rules: {
    name: words('Rules of the house'),
    task: 'overview',
    readsAs: 'points',
    hint: words('What holds for everybody, with the reason'),
    text: (t) => `# ${t}

- [First rule]: [why it is so]
- [Second rule]: [why it is so]
- [Third rule]: [why it is so]
- [Fourth rule]: [why it is so]
- [Fifth rule]: [why it is so]
`,
  },
  lessons: {
    name: words('What we have learned'),
    task: 'overview',
    readsAs: 'points',
    hint: words('After a drill or a season: what to keep, what to change'),
    text: (t) => `# ${t}

- [What went well]: [what made it so]
- [What went badly]: [what was missing]
- [What surprised us]: [what we know now]
- [What we change]: [from when on]
`,
  },
} as const satisfies Record<string, PatternRow>
