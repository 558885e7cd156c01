/** The guide: six pages about the work in its order. Its figures are drawn of the texts beside them, as anybody's are, and a test
 *  holds that each still reads as the page says. */
import type { FigureKind } from '@/core/figure'

export type GuidePart = {
  readonly heading: string
  readonly words: readonly string[]
  /** Drawn of this text. */
  readonly figure?: { readonly text: string; readonly kind: FigureKind; readonly caption: string }
}
export type GuidePage = { readonly id: string; readonly title: string; readonly parts: readonly GuidePart[] }

export const guide: readonly GuidePage[] = [
  {
    id: 'begin',
    title: 'From text to figure',
    parts: [
      {
        heading: 'Bring what you have',
        words: [
          'Paste notes, a list, a page of a handbook; or drop a file on the shelf: documents, slides, mails, tables and diagrams of other programs are read, and what stays behind is named.',
          'Who begins with an empty page takes a worked pattern: a text with gaps, and the figure that it reads as.',
        ],
      },
      {
        heading: 'Ask what a passage reads as',
        words: [
          'Mark some text, or set the caret in it, and press Ctrl+Enter. The right page shows what it can become, best first, with the reason. An open ring in the gutter marks a passage that reads as a figure without being asked.',
          'What a figure leaves out is listed below it, word by word, and is taken in with a click.',
        ],
        figure: {
          text: '1. Check the moorings\n2. Lower the ramp\n3. If the deck is wet, spread sand. Otherwise go on.\n4. Load the cars\n5. Close the bow door',
          kind: 'process',
          caption: 'Five lines of a list, as a process',
        },
      },
    ],
  },
  {
    id: 'kinds',
    title: 'Which kind says what',
    parts: [
      {
        heading: 'Six kinds',
        words: [
          'A process says what comes after what. A concept map says how things bear on each other. A hierarchy says what belongs to what, a Venn diagram what is shared. A decision holds options against each other, and points stand side by side.',
          'A figure can be shown as another kind at any time; nothing is lost on the way there and back.',
        ],
        figure: {
          text: '- Master\n  - Chief mate\n    - Bosun\n    - Deck hands\n  - Chief engineer\n    - Second engineer\n  - Purser',
          kind: 'hierarchy',
          caption: 'Indented lines, as a hierarchy',
        },
      },
      {
        heading: 'What is shared',
        words: ['Lists that say what each has alone, and what both have, read as two sets.'],
        figure: {
          text: '## Only the deck crew\n\n- ropes and fenders\n- the ramp\n\n## Only the shore crew\n\n- tickets\n- the gate\n\n## Both\n\n- cars on the deck',
          kind: 'venn',
          caption: 'What each does alone, and what both do',
        },
      },
    ],
  },
  {
    id: 'shape',
    title: 'Shaping a figure',
    parts: [
      {
        heading: 'One figure, five views',
        words: [
          'The bench shows the figure with its outline, its table and its passage; what is changed in one is changed in all. Double-click words to change them, or just type. A change can be said: after "Check the moorings" add "Sound the horn".',
          'Drag a node to hold it where you want it; drop it on a connector to put it there. What you do not touch stays where it is, until you ask to tidy.',
        ],
      },
      {
        heading: 'When the text changes',
        words: [
          'A half-filled ring says that the passage has changed since its figure was read. “See what” lists the differences, and each is taken over or left, by itself. Earlier versions are compared and restored.',
        ],
      },
    ],
  },
  {
    id: 'dress',
    title: 'One look for all',
    parts: [
      {
        heading: 'House styles',
        words: [
          '“Dress the folio” puts all figures into one style at once, light and dark, and shows them as they are seen without some colours and in grey. A style can be made of the colours of your house, with your fonts and logo.',
          'The strip below a figure has its arrangements and its treatments, as pictures of your own words.',
        ],
        figure: {
          text: '- Noise: engines and wind swallow a third of every sentence\n- Languages: many passengers need the second round\n- Nerves: people listen only when something is said again',
          kind: 'points',
          caption: 'Three points, each with its reason',
        },
      },
    ],
  },
  {
    id: 'together',
    title: 'Working with others',
    parts: [
      {
        heading: 'Sharing',
        words: [
          '“Share the folio” gives people a role: to read, to remark and propose, to edit. A guest link does the same for somebody without an account, with a password and an end where you want them; taken back, it shuts at once.',
          'Who else is here stands in the top line. Press their letters to follow them.',
        ],
      },
      {
        heading: 'Remarks',
        words: [
          'Mark words, or select a part of a figure, and press the remark. Other words can be proposed; whoever may edit takes them with a click, and they stand in the text as if typed. What is settled is resolved, and can be opened again.',
        ],
      },
    ],
  },
  {
    id: 'deliver',
    title: 'Taking it away',
    parts: [
      {
        heading: 'Files',
        words: [
          '“Deliver the folio” asks where it goes: a handbook page, a slide deck, a web article, print. Slides have real shapes and connectors that stay glued. A figure can be opened again from its file, and a deck dropped here says which of its figures have changed since.',
        ],
      },
      {
        heading: 'Pages',
        words: [
          'A folio or a figure can be published as a page for everybody, and stand in other pages. It shows what was there when it was published, or goes with every change; taken back, it shows nothing.',
        ],
        figure: {
          text: 'How does it leave the house?\n\n- As a document\n  - Time: one click\n  - Con: a copy of its own\n- As a page\n  - Time: one click\n  - Con: needs the server',
          kind: 'decision',
          caption: 'Two ways out, held against the same questions',
        },
      },
    ],
  },
]

/** Pages with the words in them, every one; all where none is given. */
export const pagesWith = (asked: string): readonly GuidePage[] => {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean)
  return guide.filter((p) => {
    const all = [p.title, ...p.parts.flatMap((part) => [part.heading, ...part.words])].join(' ').toLowerCase()
    return words.every((w) => all.includes(w))
  })
}
