/** Passages for the contact sheet, of the same handbook as the demo: what the demo's own figures do not show. */
import type { FigureKind, FrameName } from '../src/core/figure'

type Passage = {
  readonly title: string
  readonly kind: FigureKind
  readonly arrangement: string
  readonly frame?: FrameName
  readonly text: string
}

export const sheetPassages: readonly Passage[] = [
  {
    title: 'A sailing from end to end',
    kind: 'process',
    arrangement: 'down',
    frame: 'slide-16x9',
    text: `1. The mate reads the visibility at the breakwater.
2. The bosun checks the moorings.
3. The deckhands lower the ramp and lock it.
4. Is the deck wet?
   - Yes: the deckhands spread sand on the ramp
   - No: the bosun opens the lane gates
5. The loading officer loads lorries first.
6. The deckhands chock the last row.
7. The purser counts the passengers.
8. If the count does not fit the tickets, the purser counts again.
9. The bosun closes the bow door.
10. The mate reports the count to the bridge.
11. The master sounds the horn.
12. The bosun lets go the lines.`,
  },
  {
    title: 'Keeping the engine room safe',
    kind: 'process',
    arrangement: 'down',
    text: `1. Check the oil.
2. Start the pumps.
3. Read the gauges.
4. Write the log.
5. Go back to step 1.`,
  },
  {
    title: 'What bears on the berth',
    kind: 'concept',
    arrangement: 'layers',
    text: `The tide sets the height of the ramp. Wind pushes the stern off the quay, and swell makes the ramp lift. A strong ebb strengthens the swell. The moorings hold the stern. The mate watches the moorings. The height of the ramp limits the lorries. Rain makes the ramp slippery. The fenders protect the quay.`,
  },
  {
    title: 'Words of the deck',
    kind: 'concept',
    arrangement: 'layers',
    text: `A fender is a cushion that protects the hull. A cleat is a fitting that holds a line. A spring is a line that stops the ship from moving ahead. The bosun checks the lines.`,
  },
  {
    title: 'The fleet and the shore',
    kind: 'hierarchy',
    arrangement: 'down',
    frame: 'slide-16x9',
    text: `- Gannet Sound Ferries
  - Fleet
    - MV Teal
      - Bridge
      - Deck
      - Engine room
      - Catering
    - MV Eider
      - Bridge
      - Deck
      - Engine room
  - Shore
    - Ticket office
    - Harbour crew
    - Workshop
      - Engines
      - Hulls
      - Safety gear
  - Office
    - Accounts
    - Crewing
    - Training`,
  },
  {
    title: 'Three crews',
    kind: 'venn',
    arrangement: 'circles',
    text: `Deck crew, shore crew and office staff all wear the badge. Deck crew and shore crew both guide vehicles. Shore crew and office staff both sell tickets. Only deck crew work the winch and post the lookout. Only office staff plan the timetable. Shore crew alone handle the mooring lines.`,
  },
  {
    title: 'Four tickets',
    kind: 'venn',
    arrangement: 'circles',
    text: `| Perk | Day ticket | Week ticket | Islander card | Group ticket |
| --- | --- | --- | --- | --- |
| Bicycle free | no | yes | yes | no |
| Refund | no | yes | yes | yes |
| Priority lane | no | no | yes | no |
| Seat in the saloon | yes | yes | yes | yes |
| Named passenger | no | yes | yes | no |
| Cheaper at noon | yes | no | no | yes |`,
  },
  {
    title: 'Five duties',
    kind: 'venn',
    arrangement: 'circles',
    frame: 'slide-16x9',
    text: `| Duty | Master | Mate | Bosun | Purser | Engineer |
| --- | --- | --- | --- | --- | --- |
| Drill | yes | yes | yes | yes | yes |
| Ship's log | yes | yes | no | no | no |
| Mooring | no | yes | yes | no | no |
| Accounts | no | no | no | yes | no |
| Fuel count | no | no | no | no | yes |
| Rounds | no | no | yes | no | yes |
| Notices | yes | no | no | yes | no |`,
  },
  {
    title: 'Sail or wait',
    kind: 'decision',
    arrangement: 'tree',
    frame: 'slide-16x9',
    text: `We can sail at eight or wait an hour. If we sail, there is a 70% chance that the fog lifts and we earn 9,000. There is a 30% chance that we turn back and lose 4,000. If we wait, there is a 90% chance that the fog lifts and we earn 6,000. There is a 10% chance that the sailing falls out and we lose 2,000.`,
  },
  {
    title: 'Which boat for the winter',
    kind: 'decision',
    arrangement: 'tree',
    text: `Charter the Merganser
Pros: large deck, new engines
Cons: 12,000 a month

Repair the Eider
Pros: crew knows her, cheap
Cons: old hull, two weeks in dock`,
  },
  {
    title: 'Which engine',
    kind: 'decision',
    arrangement: 'table',
    text: `| Criterion | Weight | Diesel | Hybrid | Battery |
| --- | --- | --- | --- | --- |
| Cost | 5 | 8 | 5 | 2 |
| Noise | 2 | 3 | 6 | 9 |
| Range | 4 | 9 | 8 | 3 |`,
  },
  {
    title: 'How we speak to passengers',
    kind: 'points',
    arrangement: 'grid',
    frame: 'slide-16x9',
    text: `- Be early: say it before they ask
- Be plain: no ship's words
- Be kind: a smile costs nothing
- Be honest: never promise a time you do not know`,
  },
  {
    title: 'Repairs for the winter',
    kind: 'decision',
    arrangement: 'field',
    frame: 'slide-16x9',
    text: `| Criterion | New radar | Ramp hinge | Saloon heating | Paint the hull | Second anchor |
| --- | --- | --- | --- | --- | --- |
| Effort | low | high | medium | low | high |
| Gain | high | high | low | low | medium |`,
  },
  {
    title: 'Making ready',
    kind: 'process',
    arrangement: 'down',
    frame: 'slide-16x9',
    text: `The mate reads the tide table. Then, at the same time, the deckhands lower the ramp, the purser opens the gates and the engineer starts the pumps. When all are done, load the lorries. Close the bow door.`,
  },
  {
    title: 'The shore office',
    kind: 'hierarchy',
    arrangement: 'down',
    text: `- Harbour manager
  - Assistant to the manager
  - Safety adviser
  - Ticket office
    - Two clerks
  - Berth crew
    - Foreman
    - Four linesmen
  - Workshop`,
  },
  {
    title: 'From order to first sailing',
    kind: 'points',
    arrangement: 'timeLine',
    frame: 'slide-16x9',
    text: `- 2019: the yard gets the order
- 2020: keel laid
- 2023: launched at Sandwick
- 2024: first sailing to Skerry`,
  },
  {
    title: 'Who may stand on the bridge',
    kind: 'venn',
    arrangement: 'circles',
    text: `| Right | Crew | Officers | Passengers |
| --- | --- | --- | --- |
| Wear a badge | yes | no | no |
| Eat in the mess | yes | no | no |
| Steer | yes | yes | no |
| Sign the log | yes | yes | no |
| Buy a ticket | no | no | yes |`,
  },
  {
    title: 'Opening the ticket office',
    kind: 'process',
    arrangement: 'rows',
    frame: 'slide-16x9',
    text: `| Step | Who | Time |
| --- | --- | --- |
| Unlock the shutters | Clerk | 2 min |
| Count the float | Clerk | 10 min |
| Switch on the card reader | Clerk | 1 min |
| Put up the timetable of the day | Porter | 5 min |
| Fetch the parcels from the quay | Porter | 15 min |
| Ring the bell and open | Clerk | 1 min |`,
  },
]
