import { lowerFirst } from '@/core/text'
import type { PatternRow } from './row'
import { words } from '@/core/words'

export const decisions = {
  choice: {
    name: words('Choice between options'),
    task: 'decide',
    readsAs: 'decision',
    hint: words('Two or three ways, held against the same questions'),
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
  supplier: {
    name: words('Choice of a supplier'),
    task: 'decide',
    readsAs: 'decision',
    hint: words('Offers side by side: price, delivery, what speaks against each'),
    text: (t) => `# ${t}

Which supplier for ${lowerFirst(t)}?

- [First supplier]
  - Cost: [how much?]
  - Time: [how many days?]
  - Risk: [what if they are late?]
- [Second supplier]
  - Cost: [how much?]
  - Time: [how many days?]
  - Risk: [what if they are late?]
- [Third supplier]
  - Cost: [how much?]
  - Time: [how many days?]
  - Risk: [what if they are late?]
`,
  },
  goOrStay: {
    name: words('Go or stay'),
    task: 'decide',
    readsAs: 'process',
    hint: words('Questions one after the other that end in yes or no'),
    text: (t) => `# ${t}

1. Ask for [which report?].
2. If [the wind is above how much?], stay in port and tell [whom?]. Otherwise go on.
3. If [the view is below how much?], wait for [how long?] and ask again. Otherwise go on.
4. Tell [whom?] that you sail.
5. Write [what?] into the log.
`,
  },
  makeOrBuy: {
    name: words('Do it ourselves, or have it done'),
    task: 'decide',
    readsAs: 'decision',
    hint: words('Two ways with what each asks of money, time and people'),
    text: (t) => `# ${t}

How do we go about ${lowerFirst(t)}?

- Do it ourselves
  - Cost: [how much?]
  - Time: [how many days?]
  - People: [who is free?]
- Have it done
  - Cost: [how much?]
  - Time: [how many days?]
  - People: [who looks after it?]
`,
  },
} as const satisfies Record<string, PatternRow>
