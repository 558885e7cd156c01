import type { PatternRow } from './row'
import { words } from '@/core/words'

export const comparisons = {
  comparison: {
    name: words('Comparison'),
    task: 'compare',
    readsAs: 'venn',
    hint: words('Two things: what each has alone, and what both have'),
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
  overlap: {
    name: words('What two crews share'),
    task: 'compare',
    readsAs: 'venn',
    hint: words('Tasks of one, of the other, and of both together'),
    text: (t) => `# ${t}

## Deck crew

- [what only they do?]
- [what else only they do?]
- [what both do?]
- [what else both do?]

## Shore crew

- [what only they do?]
- [what else only they do?]
- [what both do?]
- [what else both do?]
`,
  },
  oldAndNew: {
    name: words('Old rule and new rule'),
    task: 'compare',
    readsAs: 'venn',
    hint: words('What goes, what comes, and what stays as it was'),
    text: (t) => `# ${t}

## The old rule

- [what goes away?]
- [what else goes away?]
- [what stays?]

## The new rule

- [what is new?]
- [what else is new?]
- [what stays?]
`,
  },
  forAndAgainst: {
    name: words('For and against'),
    task: 'compare',
    readsAs: 'decision',
    hint: words('One proposal with what speaks for and against it'),
    text: (t) => `# ${t}

Should we do it?

- Do it
  - For: [what speaks for it?]
  - Against: [what speaks against it?]
  - Cost: [how much?]
- Leave it
  - For: [what speaks for that?]
  - Against: [what speaks against that?]
  - Cost: [how much?]
`,
  },
} as const satisfies Record<string, PatternRow>
