/** Six pages of Gannet Sound Ferries as six people write: what a reader expects of each section, written before the reader
 *  was tried on it. */

export type Section = {
  readonly heading: string
  readonly text: string
  /** Kinds that a careful reader would draw; empty where no figure is expected. */
  readonly kinds: readonly string[]
  /** Labels that have to be there, in the author's words. */
  readonly labels: readonly string[]
}
export type Page = { readonly name: string; readonly sections: readonly Section[] }

const section = (heading: string, kinds: readonly string[], labels: readonly string[], text: string): Section => ({
  heading,
  kinds,
  labels,
  text,
})

export const pages: readonly Page[] = [
  {
    name: 'A tidy draft',
    sections: [
      section(
        'Receiving a wheelchair passenger',
        ['process'],
        [
          'Meet the passenger at the gate',
          'Agree on the route',
          'Lower the side ramp',
          'Show the space',
          'Note the port',
        ],
        `A calm welcome sets the tone for the whole crossing. Follow these five steps at every sailing.

1. **Meet the passenger at the gate**: Introduce yourself and ask what help is wanted. Never push a chair without asking.
2. **Agree on the route**: Explain where the lift is and how long boarding takes.
3. **Lower the side ramp**: Two crew members are needed. If the swell is above one metre, use the inner berth.
4. **Show the space**: Point out the call button and the accessible toilet.
5. **Note the port**: Tell the purser where the passenger leaves the ship.

Handled like this, boarding takes less than four minutes.`,
      ),
      section(
        'Why we announce everything twice',
        ['points'],
        ['Noise', 'Languages', 'Nerves'],
        `Passengers often ask why they hear the same words again. There are good reasons for it.

- **Noise** – Engines, children and wind swallow about a third of every sentence.
- **Languages** – Many visitors need the second round to understand the first.
- **Nerves** – People who are not used to the sea listen only when something is repeated.

Twice is enough; three times sounds like an emergency.`,
      ),
      section(
        'Day boat or night boat?',
        ['venn'],
        ['Day boat', 'Night boat', 'Same ship and same crew'],
        `Both sail the same route, and guests mix them up when they book.

**Day boat**
- Leaves at nine and at two
- Seats in the saloon, no cabins
- Hot meals from the galley

**Night boat**
- Leaves at eleven
- Cabins for forty
- Only sandwiches and soup

**What they share**
- Same ship and same crew
- Bicycles travel free`,
      ),
      section(
        'Should we repair or replace the old gangway?',
        ['decision'],
        ['Repair it', 'Replace it'],
        `The board wants a recommendation by March.

### Option 1: Repair it
**Pros**
- Costs 4,000
- Done within a week

**Cons**
- Lasts two seasons at most

### Option 2: Replace it
**Pros**
- Lighter, one person can move it
- Guaranteed for ten years

**Cons**
- Costs 15,000
- Twelve weeks to deliver`,
      ),
      section(
        'The stores on board',
        ['hierarchy'],
        ['Deck', 'Ropes', 'Engine room', 'Filters', 'Galley'],
        `- Deck
  - Ropes
  - Paint
  - Cleaning
- Engine room
  - Oil
  - Filters
- Galley
  - Dry goods
  - Cold room`,
      ),
    ],
  },
  {
    name: 'A clipped mail',
    sections: [
      section(
        'fuel delivery - how it goes from now on',
        ['process'],
        ['ring the depot by noon'],
        `1) ring the depot by noon, give litres + berth
2) hoses checked the night before, NOT in the morning
3) red flag up, smoking area shut
4) engineer signs the paper
5) start slow. if anything drips stop + ring me
6) flag down, paper in the tray`,
      ),
      section(
        'which radio for what',
        ['decision'],
        ['hand set', 'bridge set'],
        `ramp and deck work -> hand set, ch 72
talking to the harbour -> bridge set, ch 12
anything urgent -> ch 16, always
crew rooms -> phone, keep the radio free`,
      ),
      section(
        'things people lose',
        ['points', 'hierarchy'],
        ['gloves'],
        `gloves: about 3 a day, box under the desk
phones: switched off, safe, purser only
toys: window of the ticket office
teeth: yes really. fridge`,
      ),
      section(
        'rota next month',
        ['points', 'process', 'hierarchy'],
        [],
        `Mon-Wed: Ishbel + the two new ones
Thu: Kasper, half day
Fri-Sun: whoever swaps, tell me by the 20th`,
      ),
      section(
        'by the way',
        [],
        [],
        `Thanks for the cake, it was gone before the second sailing. Somebody left a very nice pen in the mess and I am using it until they miss it.`,
      ),
    ],
  },
  {
    name: 'A policy with numbered clauses',
    sections: [
      section(
        '4. Refunds',
        ['decision', 'process', 'points'],
        [],
        `4.1 Tickets cancelled more than 24 hours before departure are refunded in full.
4.2 Tickets cancelled later are refunded by half.
4.3 Where the company cancels a sailing, the full price is paid back without a request.
4.4 Unused return halves are not refunded.`,
      ),
      section(
        '5. Reporting an accident',
        ['process'],
        ['Secure the place'],
        `5.1 Secure the place and give first aid.
5.2 Inform the bridge by radio.
5.3 The mate writes down the names of witnesses.
5.4 If a person is hurt, the master calls the coastguard.
5.5 The report is handed to the shore office before the end of the shift.`,
      ),
      section(
        '6. Duties of the purser',
        ['points', 'process', 'hierarchy'],
        [],
        `(a) The cash desk is counted at the start and at the end of each shift.
(b) Complaints are written into the book on the same day.
(c) Keys to the cabins are never handed to passengers' relatives.`,
      ),
      section(
        '7. Committees',
        ['hierarchy'],
        ['Safety committee', 'Staff committee'],
        `7.1 Safety committee
(a) Fire drills
(b) Life-saving gear
7.2 Staff committee
(a) Rotas
(b) Training
7.3 Passenger committee
(a) Timetable
(b) Access on board`,
      ),
      section(
        '8. Definitions',
        ['points', 'concept', 'hierarchy'],
        ['Crew', 'Sailing'],
        `Crew: everyone who has signed the articles of a ship.
Sailing: a crossing that appears in the timetable.
Season: the months from May to September.
Guest: a person on board who is neither crew nor contractor.`,
      ),
    ],
  },
  {
    name: 'Pasted tables',
    sections: [
      section(
        'Teal and Petrel compared',
        ['venn'],
        ['Teal', 'Petrel'],
        `\tTeal\tPetrel
Cars\t24\t8
Passengers\t180\t60
Lift\tyes\tno
Bow door\tyes\tyes
Galley\tyes\tno
Wheelchair space\tyes\tyes`,
      ),
      section(
        'Opening the season',
        ['process'],
        ['Paint the hull', 'Test the life-rafts'],
        `Week\tTask\tWho
9\tPaint the hull\tyard
10\tTest the life-rafts\tmate
11\tTrain the new hands\ttraining officer
12\tSea trial\tmaster
13\tFirst sailing\tall`,
      ),
      section(
        'Who gets which discount',
        ['points', 'decision', 'hierarchy'],
        ['Islanders', 'Students'],
        `Group | Discount | Proof
Islanders | 50 % | resident card
Students | 30 % | student card
Groups of ten | 20 % | list of names
Dogs | free | none needed`,
      ),
      section(
        'The fleet by harbour',
        ['hierarchy'],
        ['Port Lorne', 'Teal'],
        `Harbour | Ship | Use
Port Lorne | Teal | cars, passengers
 | Petrel | passengers
Skerry Bay | Gull | freight, livestock
 | Dunlin | pilots`,
      ),
      section(
        'Choosing a supplier of bread',
        ['decision', 'venn'],
        ['Harbour bakery', 'Mill bakery'],
        `Criterion | Harbour bakery | Mill bakery | Mainland
Price per loaf | 3.20 | 2.90 | 2.10
Delivered by | six | seven | nine
Sundays | yes | no | no
Taste | excellent | good | dull`,
      ),
    ],
  },
  {
    name: 'Lesson notes',
    sections: [
      section(
        'What makes a mooring line break',
        ['concept', 'points', 'process'],
        [],
        `Chafe weakens the fibres. Sunlight makes the surface brittle. A short line takes more load than a long one. Sudden swell causes shock loads, and shock loads break even new lines.`,
      ),
      section(
        'Kinds of knots we teach',
        ['hierarchy'],
        ['Bends', 'Hitches'],
        `Knots fall into three groups. Bends join two ropes, for example the sheet bend. Hitches fasten a rope to something, such as the clove hitch and the rolling hitch. Loops, such as the bowline, do neither.`,
      ),
      section(
        'Words of the trade',
        ['points', 'concept'],
        ['Bow', 'Stern'],
        `Bow
    The front of the ship. Ours opens, so it is never left unlocked.
Stern
    The back of the ship, where the flag flies.
Fender
    A cushion between ship and quay. Check the ropes that hold it.`,
      ),
      section(
        'How to throw a heaving line',
        ['process'],
        ['Coil the line'],
        `First, coil the line in your left hand. Then split the coil and take half of it into the right. Swing twice and let go at shoulder height. If the line falls short, haul it in and coil it again. Finally, make it fast to the mooring line.`,
      ),
      section(
        'Tug or ferry?',
        ['venn', 'points'],
        [],
        `A tug and a ferry both need a certified master. A tug has short, strong engines and carries no passengers. A ferry has a wide deck and carries up to 180 people. Both work in every weather that the harbour office allows.`,
      ),
    ],
  },
  {
    name: 'A handbook in prose',
    sections: [
      section(
        'When a passenger is left behind',
        ['process'],
        [
          'Purser calls the terminal',
          'Mate enters the time in the log',
          'Passenger is found within five minutes?',
          'Ship waits',
          'Duty officer books a seat on the next boat',
        ],
        `It happens twice a summer, usually on the last sailing, and it is nobody's fault. Before the ramp goes up the purser checks the list against the tickets. If somebody is missing, the purser calls the terminal and the mate enters the time in the log. The terminal then looks in the waiting room. If the passenger is found within five minutes, the ship waits; otherwise the duty officer books a seat on the next boat. We once waited forty minutes for a man who was asleep on a bench, which is why the limit is five.`,
      ),
      section(
        'Why the ramp wears out',
        ['concept'],
        ['Salt', 'Hinges', 'Grease', 'Heavy lorries', 'Bent plates', 'Seals'],
        `Salt attacks the hinges, and every winter we are surprised again. Grease protects the hinges, but rain washes out the grease. Heavy lorries bend the plates. Bent plates damage the seals, and damaged seals let in salt. The spring inspection, which the insurer pays for, finds bent plates; it does not find dry hinges, so somebody has to look.`,
      ),
      section(
        'Who answers to whom',
        ['hierarchy'],
        ['Fleet manager', 'Masters', 'Mate', 'Chief engineer', 'Deckhands'],
        `People ask this in their first week, and the answer has changed since the new ships came. The fleet manager is responsible for everything afloat. The masters report to the fleet manager. On board, the mate and the chief engineer report to the master. The deckhands report to the mate, and the motormen to the chief engineer. The terminal is another world and has its own chart.`,
      ),
      section(
        'Summer timetable and winter timetable',
        ['venn'],
        ['Summer timetable', 'Winter timetable', 'Connect with the morning train', 'Freight sailings', 'School boat'],
        `The summer timetable has eleven sailings a day, while the winter timetable has six. In summer the night boat runs; in winter it does not. Both timetables connect with the morning train, and both leave out the first of January. The winter timetable includes freight sailings, whereas the summer timetable includes the school boat.`,
      ),
      section(
        'Which berth in a north wind',
        ['decision'],
        ['Use the inner berth', 'Use the outer berth'],
        `There is no perfect berth in a north wind, and the pilots have argued about it for years. Use the inner berth if the swell is low. If the swell is above one metre, use the outer berth. The inner berth is cheap and close to the road, but it is shallow at low water. The outer berth is deep at all times; on the other hand, passengers walk ten minutes in the rain.`,
      ),
      section(
        'What a good announcement does',
        ['points'],
        ['A good announcement says one thing', 'It names the place first'],
        `A good announcement says one thing. It is short enough to be heard between two gusts. It names the place first, because people look up when they hear where they are. It avoids numbers wherever a word will do. And it ends before the listener has stopped listening.`,
      ),
    ],
  },
]

export const manuscriptOf = (page: Page): string =>
  [`# ${page.name}`, ...page.sections.map((s) => `## ${s.heading}\n\n${s.text}`)].join('\n\n')
