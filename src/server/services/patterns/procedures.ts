import { lowerFirst } from '@/core/text'
import type { PatternRow } from './row'
import { words } from '@/core/words'

export const procedures = {
  procedure: {
    name: words('Procedure'),
    task: 'procedure',
    readsAs: 'process',
    hint: words('Steps in their order, with what to do when one goes wrong'),
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
  checklist: {
    name: words('Checklist before a start'),
    task: 'procedure',
    readsAs: 'process',
    hint: words('A short round before something begins, each point looked at by somebody'),
    text: (t) => `# ${t}

[Who does the round, and how long before the start?]

1. Look at [the first thing].
2. Test [the second thing].
3. Count [what must be complete?].
4. If [something is missing], stop and tell [whom?]. Otherwise go on.
5. Sign [which list?].
`,
  },
  handover: {
    name: words('Handover of a watch'),
    task: 'procedure',
    readsAs: 'process',
    hint: words('What the one who goes tells the one who comes'),
    text: (t) => `# ${t}

1. The mate who goes off tells [what has happened?].
2. The mate who comes on reads [which log?].
3. Both look at [what?] together.
4. If [something is unclear], they call [whom?]. Otherwise they go on.
5. The mate who comes on says “[which words?]” and has the watch.
6. Write [what?] into the log.
`,
  },
  complaint: {
    name: words('Answering a complaint'),
    task: 'procedure',
    readsAs: 'process',
    hint: words('From the first word to the answer, with who decides'),
    text: (t) => `# ${t}

1. Thank the passenger and write down [what?].
2. Ask [which colleague?] what happened.
3. If [the fault is ours], offer [what?]. Otherwise explain [what?].
4. Send the answer within [how many days?].
5. File it under [where?].
`,
  },
  emergency: {
    name: words('What to do when something happens'),
    task: 'procedure',
    readsAs: 'process',
    hint: words('Few steps, short words, for a wall'),
    text: (t) => `# ${t}

1. Shout “[which word?]” and press [which alarm?].
2. Bring [whom?] to [which place?].
3. If [it can be put out, held, closed], do so with [what?]. Otherwise leave [by which way?].
4. Count [whom?].
5. Report to [whom?] on [which channel?].
`,
  },
} as const satisfies Record<string, PatternRow>
