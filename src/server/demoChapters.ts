/** Chapters of a crew handbook at Gannet Sound Ferries, a made-up island line, as its training officer writes, and the
 *  figures chosen from them: the demo, and what the contact sheet is drawn from. */
import type { Figure, FigureKind, FrameName } from '@/core/figure'
import { propose } from '@/core/propose'
import { readText } from '@/core/reading'
import type { ShippedStyle } from '@/core/style'
import { shippedLexicon } from '@/server/lexicon'

export type Chosen = {
  readonly from: string
  readonly to: string
  readonly kind: FigureKind
  readonly arrangement: string
  readonly frame?: FrameName
  readonly title: string
  readonly treatment?: string
}
export type Chapter = {
  readonly title: string
  /** Its house style; the standard one where it names none. */
  readonly style?: ShippedStyle
  readonly text: string
  readonly figures: readonly Chosen[]
}

export const chapters: readonly Chapter[] = [
  {
    title: 'Lost property',
    text: `# Lost property

From: shore office
To: all crews
Subject: things left on board, again

Hi all, we had four rucksacks and a cello last week. Once more, how it goes:

When you find something, write the sailing and the place on a yellow tag. Hand it to the purser before you leave the ship. The purser enters it in the book and locks it in the cage. If the owner calls, the purser checks the description. If it fits, the owner collects the item at the ticket office. Otherwise it stays in the cage for thirty days. After that, the shore office gives it to the island charity shop.

## Things we never keep

- Food: thrown away at the end of the day
- Medicine: handed to the pharmacy in Port Lorne
- Knives and tools: handed to the harbour police
- Live animals: the duty manager decides`,
    figures: [],
  },
  {
    title: 'First week aboard',
    style: 'signal-flags',
    text: `# First week aboard

Every new hand on the MV Teal gets a mentor and this page. Tick things off together.

- Day one: uniform, locker, safety walk with the mate
- Day two: mooring lines with the shore crew, no line under load
- Day three: vehicle deck, chocks and lashings
- Day four: passenger counts and announcements
- Day five: drills, then a talk with the master

## What to bring

1. Steel-toed boots
2. Your discharge book
3. A warm hat; the bow is cold even in June`,
    figures: [
      {
        from: 'Day one',
        to: 'a talk with the master',
        kind: 'points',
        arrangement: 'grid',
        frame: 'slide-16x9',
        title: 'The first five days',
      },
    ],
  },
  {
    title: 'Life-jacket check',
    style: 'log-book',
    text: `# Life-jacket check

Done every Monday before the first sailing.

1. Count the life-jackets in each locker.
2. Check the whistle, the light and the straps of each one.
3. If a strap is torn, tag the jacket red and take it ashore.
4. If the light does not work, change the battery.
5. Close the lockers and seal them.
6. Sign the list and hand it to the mate.`,
    figures: [
      {
        from: 'Count the life-jackets',
        to: 'hand it to the mate.',
        kind: 'process',
        arrangement: 'across',
        frame: 'slide-16x9',
        title: 'Life-jacket check',
      },
    ],
  },
  {
    title: 'Who is who on the Teal',
    style: 'kelp',
    text: `# Who is who on the Teal

On the MV Teal the master is in command. The mate, the chief engineer and the purser report to the master. The bosun answers to the mate and is in charge of four deckhands. The second engineer works under the chief engineer. The purser supervises the stewards and the cook.

## When the spare boat is needed

We can charter a spare boat or muddle through with two. Chartering costs 12,000 a month, but the timetable holds. Muddling through costs nothing at first. If we muddle through, there is a 20% chance that a boat breaks down, and then we lose the fares.`,
    figures: [
      {
        from: 'On the MV Teal',
        to: 'the stewards and the cook.',
        kind: 'hierarchy',
        arrangement: 'stacked',
        title: 'Who reports to whom',
      },
      {
        from: 'We can charter',
        to: 'we lose the fares.',
        kind: 'decision',
        arrangement: 'tree',
        title: 'A spare boat?',
        frame: 'page-landscape',
      },
    ],
  },
  {
    title: 'Boarding the vehicle deck',
    style: 'night-watch',
    text: `# Boarding the vehicle deck

The loading officer stands at the foot of the ramp. Nobody else waves cars on.

1. Check the moorings
2. Lower the ramp and lock it
3. Is the deck wet?
   - Yes: spread sand on the ramp
   - No: open the lane gates
4. Load lorries first, then cars, then motorcycles
5. Chock the last row and lash the motorcycles
6. Close the bow door
7. Report the count to the bridge

## Who may stay on the deck

Passengers leave the vehicle deck before sailing. Deck crew may stay until the bow door is closed. Dogs travel with their owners, not in cars.`,
    figures: [
      {
        from: 'Check the moorings',
        to: 'Report the count to the bridge',
        kind: 'process',
        arrangement: 'down',
        title: 'Boarding the vehicle deck',
      },
    ],
  },
  {
    title: 'Departing in fog',
    style: 'regatta',
    text: `# Departing in fog

Half an hour before departure the mate reads the visibility from the breakwater light. If it is above 500 metres, load the vehicle deck as usual. Otherwise the master calls the harbour office and asks for the next radar report. When the report shows the channel clear, sound the horn, post a lookout at the bow and leave at half speed. If it does not, hold the sailing, tell the passengers and read the visibility again after twenty minutes.

## Who does what

Deck crew and shore crew both check tickets and guide vehicles. Only deck crew work the ramp winch, post the lookout and close the bow door. Shore crew alone handle the mooring lines and the waiting room.

## Telling the passengers

First the purser writes the notice. Then the master approves it. The purser reads it over the loudspeaker and posts it at the gangway. Finally, the ticket office updates the timetable screen. If the delay is longer than an hour, the ticket office offers a refund.

## What bears on the berth

The tide sets the height of the ramp. Wind pushes the stern off the quay, and swell makes the ramp lift. A strong ebb strengthens the swell at the mouth of the sound.

| Wind | Swell | What we do |
| --- | --- | --- |
| up to 5 | up to 1 m | sail as usual |
| 6 to 7 | up to 2 m | master decides |
| above 7 | any | stay in port |`,
    figures: [
      {
        from: 'Half an hour before',
        to: 'after twenty minutes.',
        kind: 'process',
        arrangement: 'down',
        title: 'Departing in fog',
      },
      {
        from: 'Deck crew and shore crew both',
        to: 'the waiting room.',
        kind: 'venn',
        arrangement: 'circles',
        title: 'Deck crew and shore crew',
      },
    ],
  },
]

/** What a person does on the folio page: mark a passage, choose a reading and an arrangement. The figure, and where its
 *  passage lies in `text`. */
export function figureOf(
  text: string,
  chosen: Chosen,
  id: string,
): { figure: Figure; span: { start: number; end: number } } {
  const start = text.indexOf(chosen.from)
  const span = { start: text.lastIndexOf('\n', start) + 1, end: text.indexOf(chosen.to) + chosen.to.length }
  const reading = propose(readText(text.slice(span.start, span.end), shippedLexicon())).find(
    (r) => r.kind === chosen.kind,
  )
  if (!reading) throw new Error(`demo: “${chosen.from}” does not read as ${chosen.kind}`)
  const { title, arrangement, frame = 'page-column', treatment } = chosen
  const dress = treatment === undefined ? reading.figure.dress : { ...reading.figure.dress, treatment }
  return { figure: { ...reading.figure, id, title, arrangement, frame, dress }, span }
}
