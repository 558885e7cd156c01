/** The guide: six pages about the work in its order. Its figures are drawn of the texts beside them, as anybody's are, and a test
 *  holds that each still reads as the page says. */
import type { FigureKind } from '@/core/figure'
import { said, type Said, type Tell } from '@/core/words'

export type GuidePart = {
  readonly heading: Said
  readonly words: readonly Said[]
  /** Drawn of this text. */
  readonly figure?: { readonly text: Said; readonly kind: FigureKind; readonly caption: Said }
}
export type GuidePage = { readonly id: string; readonly title: Said; readonly parts: readonly GuidePart[] }

export const guide: readonly GuidePage[] = [
  {
    id: 'begin',
    title: said('From text to figure'),
    parts: [
      {
        heading: said('Bring what you have'),
        words: [
          said(
            'Paste notes, a list, a page of a handbook; or drop a file on the shelf: documents, slides, mails, tables and diagrams of other programs are read, and what stays behind is named.',
          ),
          said(
            'Who begins with an empty page takes a worked pattern: a text with gaps, and the figure that it reads as.',
          ),
        ],
      },
      {
        heading: said('Ask what a passage reads as'),
        words: [
          said(
            'Mark some text, or set the caret in it, and press Ctrl+Enter. The right page shows what it can become, best first, with the reason. An open ring in the gutter marks a passage that reads as a figure without being asked.',
          ),
          said('What a figure leaves out is listed below it, word by word, and is taken in with a click.'),
        ],
        figure: {
          text: said(
            '1. Check the moorings\n2. Lower the ramp\n3. If the deck is wet, spread sand. Otherwise go on.\n4. Load the cars\n5. Close the bow door',
          ),
          kind: 'process',
          caption: said('Five lines of a list, as a process'),
        },
      },
    ],
  },
  {
    id: 'kinds',
    title: said('Which kind says what'),
    parts: [
      {
        heading: said('Six kinds'),
        words: [
          said(
            'A process says what comes after what. A concept map says how things bear on each other. A hierarchy says what belongs to what, a Venn diagram what is shared. A decision holds options against each other, and points stand side by side.',
          ),
          said('A figure can be shown as another kind at any time; nothing is lost on the way there and back.'),
        ],
        figure: {
          text: said(
            '- Master\n  - Chief mate\n    - Bosun\n    - Deck hands\n  - Chief engineer\n    - Second engineer\n  - Purser',
          ),
          kind: 'hierarchy',
          caption: said('Indented lines, as a hierarchy'),
        },
      },
      {
        heading: said('What is shared'),
        words: [said('Lists that say what each has alone, and what both have, read as two sets.')],
        figure: {
          text: said(
            '## Only the deck crew\n\n- ropes and fenders\n- the ramp\n\n## Only the shore crew\n\n- tickets\n- the gate\n\n## Both\n\n- cars on the deck',
          ),
          kind: 'venn',
          caption: said('What each does alone, and what both do'),
        },
      },
    ],
  },
  {
    id: 'shape',
    title: said('Shaping a figure'),
    parts: [
      {
        heading: said('One figure, five views'),
        words: [
          said(
            'The bench shows the figure with its outline, its table and its passage; what is changed in one is changed in all. Double-click words to change them, or just type. A change can be said: after "Check the moorings" add "Sound the horn".',
          ),
          said(
            'Drag a node to hold it where you want it; drop it on a connector to put it there. What you do not touch stays where it is, until you ask to tidy.',
          ),
        ],
      },
      {
        heading: said('When the text changes'),
        words: [
          said(
            'A half-filled ring says that the passage has changed since its figure was read. “See what” lists the differences, and each is taken over or left, by itself. Earlier versions are compared and restored.',
          ),
        ],
      },
    ],
  },
  {
    id: 'dress',
    title: said('One look for all'),
    parts: [
      {
        heading: said('House styles'),
        words: [
          said(
            '“Dress the folio” puts all figures into one style at once, light and dark, and shows them as they are seen without some colours and in grey. A style can be made of the colours of your house, with your fonts and logo.',
          ),
          said('The strip below a figure has its arrangements and its treatments, as pictures of your own words.'),
        ],
        figure: {
          text: said(
            '- Noise: engines and wind swallow a third of every sentence\n- Languages: many passengers need the second round\n- Nerves: people listen only when something is said again',
          ),
          kind: 'points',
          caption: said('Three points, each with its reason'),
        },
      },
    ],
  },
  {
    id: 'together',
    title: said('Working with others'),
    parts: [
      {
        heading: said('Sharing'),
        words: [
          said(
            '“Share the folio” gives people a role: to read, to remark and propose, to edit. A guest link does the same for somebody without an account, with a password and an end where you want them; taken back, it shuts at once.',
          ),
          said('Who else is here stands in the top line. Press their letters to follow them.'),
        ],
      },
      {
        heading: said('Remarks'),
        words: [
          said(
            'Mark words, or select a part of a figure, and press the remark. Other words can be proposed; whoever may edit takes them with a click, and they stand in the text as if typed. What is settled is resolved, and can be opened again.',
          ),
        ],
      },
    ],
  },
  {
    id: 'deliver',
    title: said('Taking it away'),
    parts: [
      {
        heading: said('Files'),
        words: [
          said(
            '“Deliver the folio” asks where it goes: a handbook page, a slide deck, a web article, print. Slides have real shapes and connectors that stay glued. A figure can be opened again from its file, and a deck dropped here says which of its figures have changed since.',
          ),
        ],
      },
      {
        heading: said('Pages'),
        words: [
          said(
            'A folio or a figure can be published as a page for everybody, and stand in other pages. It shows what was there when it was published, or goes with every change; taken back, it shows nothing.',
          ),
        ],
        figure: {
          text: said(
            'How does it leave the house?\n\n- As a document\n  - Time: one click\n  - Con: a copy of its own\n- As a page\n  - Time: one click\n  - Con: needs the server',
          ),
          kind: 'decision',
          caption: said('Two ways out, held against the same questions'),
        },
      },
    ],
  },
]

/** Pages with the words in them, every one; all where none is given. */
export const pagesWith = (asked: string, t: Tell): readonly GuidePage[] => {
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean)
  return guide.filter((p) => {
    const all = [p.title, ...p.parts.flatMap((part) => [part.heading, ...part.words])].map((w) => t(w))
    return words.every((w) => all.join(' ').toLowerCase().includes(w))
  })
}
