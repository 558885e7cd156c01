/** The demo says what its chapters say: every link and every membership of its figures, as a careful reader draws them. */
import type { Figure } from '@/core/figure'
import { chapters, figureOf } from './demoChapters'

const WANTED: Readonly<Record<string, readonly string[]>> = {
  'The first five days': ['Day one', 'Day two', 'Day three', 'Day four', 'Day five'],
  'Life-jacket check': [
    'Count the life-jackets in each locker > Check the whistle, the light and the straps of each one',
    'Check the whistle, the light and the straps of each one > Strap is torn?',
    'Strap is torn? >yes> Tag the jacket red',
    'Strap is torn? >no> Light works?',
    'Tag the jacket red > Take the jacket ashore',
    'Take the jacket ashore > Light works?',
    'Light works? >no> Change the battery',
    'Light works? >yes> Close the lockers and seal them',
    'Change the battery > Close the lockers and seal them',
    'Close the lockers and seal them > Sign the list and hand it to the mate',
  ],
  'Who reports to whom': [
    ...['Mate', 'Chief engineer', 'Purser'].map((who) => `Master > ${who}`),
    'Mate > Bosun',
    'Bosun > Four deckhands',
    'Chief engineer > Second engineer',
    'Purser > Stewards',
    'Purser > Cook',
  ],
  'A spare boat?': [
    'Charter spare boat or muddle through > Charter spare boat',
    'Charter spare boat or muddle through > Muddle through with two',
    'Charter spare boat > Costs 12,000 a month',
    'Charter spare boat > Timetable holds',
    'Muddle through with two > Costs nothing at first',
    'Muddle through with two >20%> Boat breaks down',
    'Muddle through with two >80%> Boat does not break down',
    'Boat breaks down > We lose fares',
  ],
  'Boarding the vehicle deck': [
    'Check the moorings > Lower the ramp and lock it',
    'Lower the ramp and lock it > Is the deck wet?',
    'Is the deck wet? >yes> Spread sand on the ramp',
    'Is the deck wet? >no> Open the lane gates',
    'Spread sand on the ramp > Load lorries first, then cars, then motorcycles',
    'Open the lane gates > Load lorries first, then cars, then motorcycles',
    'Load lorries first, then cars, then motorcycles > Chock the last row and lash the motorcycles',
    'Chock the last row and lash the motorcycles > Close the bow door',
    'Close the bow door > Report the count to the bridge',
  ],
  'Departing in fog': [
    'Mate reads the visibility from the breakwater light > Above 500 metres?',
    'Above 500 metres? >yes> Load the vehicle deck as usual',
    'Above 500 metres? >no> Master calls the harbour office',
    'Master calls the harbour office > Asks for the next radar report',
    'Asks for the next radar report > Report shows the channel clear?',
    'Report shows the channel clear? >yes> Sound the horn',
    'Sound the horn > Post a lookout at the bow',
    'Post a lookout at the bow > Leave at half speed',
    'Report shows the channel clear? >no> Hold the sailing',
    'Hold the sailing > Tell the passengers',
    'Tell the passengers >after twenty minutes> Mate reads the visibility from the breakwater light',
  ],
  'Deck crew and shore crew': [
    ...['Check tickets', 'Guide vehicles'].map((what) => `Deck crew & Shore crew: ${what}`),
    ...['Work the ramp winch', 'Post the lookout', 'Close the bow door'].map((what) => `Deck crew: ${what}`),
    ...['Handle mooring lines', 'Handle waiting room'].map((what) => `Shore crew: ${what}`),
  ],
}

function said(figure: Figure): string[] {
  const text = (id: string): string => figure.nodes[id]?.text ?? id
  const links = Object.values(figure.links).map((l) => `${text(l.from)} ${l.text ? `>${l.text}>` : '>'} ${text(l.to)}`)
  const members = Object.values(figure.nodes).flatMap((n) =>
    n.memberOf?.length ? [`${n.memberOf.map(text).join(' & ')}: ${n.text}`] : [],
  )
  const all = [...links, ...members]
  return all.length > 0 ? all : Object.values(figure.nodes).map((n) => n.text)
}

const figures = chapters.flatMap(({ text, figures }) =>
  figures.map((chosen) => ({ title: chosen.title, text, chosen })),
)

test('the table below has every figure of the demo', () =>
  expect(figures.map((f) => f.title).toSorted()).toEqual(Object.keys(WANTED).toSorted()))

test.each(figures)('$title', ({ title, text, chosen }) =>
  expect(said(figureOf(text, chosen, 'figure').figure).toSorted()).toEqual([...(WANTED[title] ?? [])].toSorted()),
)
