import type { PatternRow } from './row'
import { words } from '@/core/words'

export const peoplePatterns = {
  roles: {
    name: words('Who does what'),
    task: 'people',
    readsAs: 'hierarchy',
    hint: words('Roles, and who helps or stands in'),
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
  reporting: {
    name: words('Who reports to whom'),
    task: 'people',
    readsAs: 'hierarchy',
    hint: words('The line from the top to the watch'),
    text: (t) => `# ${t}

- [Master]
  - [Chief mate]
    - [Bosun]
      - [Deck hands]
  - [Chief engineer]
    - [Second engineer]
  - [Purser]
    - [Cabin crew]
`,
  },
  firstWeek: {
    name: words('The first week of somebody new'),
    task: 'people',
    readsAs: 'process',
    hint: words('What happens when, and who goes along'),
    text: (t) => `# ${t}

1. Meet [whom?] at [where?] and get [which things?].
2. Walk through [which places?] with [whom?].
3. Watch [which work?] for a day.
4. Do [which work?] with [whom?] beside you.
5. If [something is not clear], ask [whom?]. Otherwise do it by yourself.
6. Talk about the week with [whom?].
`,
  },
  team: {
    name: words('A team and its trades'),
    task: 'people',
    readsAs: 'hierarchy',
    hint: words('Groups of people, and what each group knows'),
    text: (t) => `# ${t}

- [The whole crew]
  - [Deck]
    - [Who handles the ropes?]
    - [Who works the ramp?]
  - [Engine]
    - [Who keeps the pumps?]
    - [Who stands the watch below?]
  - [Cabin]
    - [Who looks after passengers?]
`,
  },
} as const satisfies Record<string, PatternRow>
