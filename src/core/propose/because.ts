/** Why a passage reads as it does, and why something of it is left out or refused: all the sentences of this folder. */
import { said, type Said } from '../words'

const SUCH = '”, “'

/** What speaks for a reading. */
export const because = {
  options: (count: number) => said('{count, plural, one {# option} other {# options}}', { count }),
  forAndAgainst: said('what is for and against each'),
  sameCriteria: said('the same criteria for each'),
  cases: (count: number) => said('{count, plural, one {# case} other {# cases}}', { count }),
  whatFollows: said('each with what follows'),
  paragraphs: (count: number) => said('{count, plural, one {# paragraph} other {# paragraphs}}', { count }),
  eachOneWay: said('each about one way'),
  saidOfEach: said('what is said of each'),
  yesAndNo: said('a table of yes and no'),
  comparingTable: said('a table that compares'),
  sets: (count: number) => said('{count, plural, one {# set} other {# sets}}', { count }),
  sectionOfShared: said('a section of what is shared'),
  listsUnder: (count: number) => said('lists under {count, plural, one {# name} other {# names}}', { count }),
  inSeveral: (count: number) => said('{count, plural, one {# item} other {# items}} in more than one', { count }),
  namedAgain: (count: number) =>
    said('{count, plural, one {# thing} other {# things}} named again and again', { count }),
  sentences: (count: number) => said('{count} sentences or parts of them', { count }),
  concepts: (count: number) => said('{count, plural, one {# concept} other {# concepts}}', { count }),
  labelledLinks: (count: number) => said('{count, plural, one {# labelled link} other {# labelled links}}', { count }),
  hangTogether: said('most of them hang together'),
  terms: said('terms with what they mean'),
  chances: (count: number) => said('{count, plural, one {# chance} other {# chances}} with a number', { count }),
  somethingOfEach: said('something said of each'),
  criteriaTable: (options: number, criteria: number) =>
    said(
      'a table of {options, plural, one {# option} other {# options}} by {criteria, plural, one {# criterion} other {# criteria}}',
      { options, criteria },
    ),
  questions: (count: number) => said('{count, plural, one {# question} other {# questions}}', { count }),
  leadsOn: said('each answer leads on'),
  kindsInLevels: (count: number, levels: number) =>
    said('{count, plural, one {# part or kind} other {# parts or kinds}} in {levels} levels', { count, levels }),
  wordsSuchAs: (words: readonly string[]) => said('words such as “{words}”', { words: words.join(SUCH) }),
  outlineOf: (levels: number) => said('an outline of {levels, plural, one {# level} other {# levels}}', { levels }),
  entries: (count: number) => said('{count, plural, one {# entry} other {# entries}}', { count }),
  tableOfLevels: (levels: number) => said('a table of {levels, plural, one {# level} other {# levels}}', { levels }),
  stepsInOrder: (count: number) => said('{count, plural, one {# step} other {# steps}} in order', { count }),
  returns: (count: number) => said('{count, plural, one {# return} other {# returns}}', { count }),
  numberedList: said('a numbered list'),
  connectives: (count: number) =>
    said('{count, plural, one {# connective} other {# connectives}} such as “then” or “if”', { count }),
  roles: (count: number) => said('{count, plural, one {# role who acts} other {# roles who act}}', { count }),
  sideBySide: (count: number) => said('{count} parts, side by side', { count }),
  headed: said('most with a heading and a detail'),
  compared: (count: number) => said('{count, plural, one {# set compared} other {# sets compared}}', { count }),
  shared: (shared: number, alone: number) => said('{shared} shared, {alone} in one alone', { shared, alone }),
  nodes: (count: number) => said('{count, plural, one {# node} other {# nodes}}', { count }),
} as const

/** Why some words are not in the figure. */
export const leftOutAs = {
  heading: said('a heading'),
  opening: said('an opening line'),
  closing: said('a closing line'),
  shortened: said('left out of a shorter label'),
  remark: said('a remark'),
  mail: said('the frame of a mail'),
  row: said('tables are not read into this kind'),
  told: said('tells what was or has been'),
  more: said('says more about a clause that is left out'),
  nothing: said('tells nothing that this kind shows'),
} as const

/** Why something that another reader gave is not taken. */
export const refusedAs = {
  noWords: said('it has no words'),
  sameId: said('another node has its id'),
  noSuchSet: said('it lies in a set that is not in the figure'),
  noEnd: said('one of its ends is not in the figure'),
  intoItself: said('it leads back to where it begins'),
  twoAbove: said('there is one above it already'),
  noLinks: said('this kind has no links'),
  circle: said('it closes a circle'),
  tooLong: said('looking for its words takes too long'),
  turnsRound: said('it leaves out a word that turns it round'),
  otherWords: said('the passage does not say this in these words'),
  tooFew: (count: number): Said =>
    said('{count, plural, one {# node makes} other {# nodes make}} no figure', { count }),
  apart: (first: Said | undefined): Said =>
    first
      ? said('{first} Without it the figure falls into pieces.', { first })
      : said('Without it the figure falls into pieces.'),
} as const
