/** Kinds, parts and reporting lines as data: which verb with which words behind it says which thing is above. The
 *  examples are tests. */
import type { ChildClaim } from '../claims'

/** A verb with its preposition, and on which side the parent stands. */
export type HierarchyCue = {
  readonly name: string
  readonly how: ChildClaim['how']
  readonly verb: RegExp
  /** Matched against the words behind the verb; what follows is the other side. */
  readonly behind: RegExp
  readonly voice: 'active' | 'passive' | 'any'
  readonly parent: 'before' | 'behind'
  readonly weight: number
  readonly because: string
  /** `parent > child, child` as read from the sentence. */
  readonly examples: Readonly<Record<string, string>>
  readonly counter: readonly string[]
}

export const CATEGORY =
  '(?:types?|kinds?|sorts?|forms?|categor(?:y|ies)|class(?:es)?|groups?|famil(?:y|ies)|variet(?:y|ies)|species|levels?|parts?|areas?|sections?|divisions?|components?|elements?|branches|branch|versions?|models?|styles?|stages?|ways?|members?|units?|departments?|committees?|voices|examples?|teams?|layers?|subgroups?)'
const LIST = '^(?:again |further |mainly |usually |now )?'

export const hierarchyCues: readonly HierarchyCue[] = [
  {
    name: 'divided',
    how: 'kind',
    verb: /^(?:divide|split|subdivide|classify|group|sort|separate|categori[sz]e|break|organi[sz]e|arrange|segment)$/,
    behind: new RegExp(`${LIST}(?:down |up |by [\\w ]+ |again |further )?(?:into|as|in|between)\\b`),
    voice: 'passive',
    parent: 'before',
    weight: 0.9,
    because: 'is divided into',
    examples: {
      'Tickets are divided into day tickets and season tickets': 'Tickets > Day tickets, Season tickets',
      'The crew is split into two watches: port and starboard': 'Crew > Port, Starboard',
    },
    counter: ['The cargo is sorted by the mate'],
  },
  {
    name: 'divides',
    how: 'kind',
    verb: /^(?:divide|split|classify|group|fall|branch|separate|break)$/,
    behind: new RegExp(`${LIST}(?:down |up |naturally )?(?:into|under)\\b`),
    voice: 'active',
    parent: 'before',
    weight: 0.85,
    because: 'falls into',
    examples: { 'Vessels fall into car ferries and passenger boats': 'Vessels > Car ferries, Passenger boats' },
    counter: ['The ramp falls into the water'],
  },
  {
    name: 'comes-as',
    how: 'kind',
    verb: /^(?:come|exist|appear|offer|sell|supply|provide)$/,
    behind: /^(?:in|as)\b/,
    voice: 'any',
    parent: 'before',
    weight: 0.7,
    because: 'comes as',
    examples: { 'Jackets come in three sizes: small, medium and large': 'Jackets > Small, Medium, Large' },
    counter: ['Cars come in slowly'],
  },
  {
    name: 'consists',
    how: 'part',
    verb: /^(?:consist|compose|make)$/,
    behind: /^(?:(?:mainly |mostly )*of\b|up (?:mainly |mostly )?(?:of|from)\b)/,
    voice: 'any',
    parent: 'before',
    weight: 0.9,
    because: 'consists of',
    examples: {
      'A ferry consists of a hull, a deck and a bridge': 'Ferry > Hull, Deck, Bridge',
      'The deck is made up of four lanes and a ramp': 'Deck > Four lanes, Ramp',
    },
    counter: ['The ramp is made of steel'],
  },
  {
    name: 'comprises',
    how: 'part',
    verb: /^(?:comprise|include|encompass|embrace|count)$/,
    behind: /^/,
    voice: 'active',
    parent: 'before',
    weight: 0.75,
    because: 'includes',
    examples: { 'Car ferries include Teal and Eider': 'Car ferries > Teal, Eider' },
    counter: [],
  },
  {
    name: 'has',
    how: 'part',
    verb: /^(?:have|contain|cover|feature|hold|appoint|sell|offer|run|publish|carry|employ|keep)$/,
    behind: /^/,
    voice: 'active',
    parent: 'before',
    weight: 0.3,
    because: 'has',
    examples: { 'The bridge has a wheelhouse and a chart room': 'Bridge > Wheelhouse, Chart room' },
    counter: [],
  },
  {
    name: 'reports',
    how: 'reports',
    verb: /^(?:report|answer|belong)$/,
    behind: /^(?:also |directly |only |both |straight |in turn )*to\b/,
    voice: 'active',
    parent: 'behind',
    weight: 0.9,
    because: 'reports to',
    examples: { 'The bosun and the purser report to the mate': 'Mate > Bosun, Purser' },
    counter: ['The mate reports the fault'],
  },
  {
    name: 'works-under',
    how: 'reports',
    verb: /^(?:work|serve|be|come|sit|rank)$/,
    behind: /^(?:directly )?(?:under|below|beneath)\b/,
    voice: 'any',
    parent: 'behind',
    weight: 0.8,
    because: 'works under',
    examples: { 'The motorman works under the chief engineer': 'Chief engineer > Motorman' },
    counter: ['The ferry sails under the bridge'],
  },
  {
    name: 'leads',
    how: 'heads',
    verb: /^(?:manage|supervise|lead|head|run|oversee|direct|chair|command|govern)$/,
    behind: /^(?!(?:to|into|in|on|out|through|from|from|up|down)\b)/,
    voice: 'active',
    parent: 'before',
    weight: 0.75,
    because: 'leads',
    examples: { 'The purser supervises the stewards and the cook': 'Purser > Stewards, Cook' },
    counter: ['Poor footing leads to falls'],
  },
  {
    name: 'looks-after',
    how: 'heads',
    verb: /^look$/,
    behind: /^after\b/,
    voice: 'active',
    parent: 'before',
    weight: 0.5,
    because: 'looks after',
    examples: { 'The bosun looks after the deckhands and the stores': 'Bosun > Deckhands, Stores' },
    counter: ['The mate looks for the key'],
  },
  {
    name: 'led-by',
    how: 'heads',
    verb: /^(?:manage|supervise|lead|head|run|oversee|direct|chair|command|govern)$/,
    behind: /^by\b/,
    voice: 'passive',
    parent: 'behind',
    weight: 0.8,
    because: 'is led by',
    examples: { 'The deckhands are led by the bosun': 'Bosun > Deckhands' },
    counter: ['The engine runs by night'],
  },
  {
    name: 'supported-by',
    how: 'reports',
    verb: /^(?:support|assist|help)$/,
    behind: /^by\b/,
    voice: 'passive',
    parent: 'before',
    weight: 0.6,
    because: 'is supported by',
    examples: { 'The master is supported by two mates': 'Master > Two mates' },
    counter: ['The mate supports the plan'],
  },
  {
    name: 'means',
    how: 'kind',
    verb: /^mean$/,
    behind: /^/,
    voice: 'active',
    parent: 'before',
    weight: 0.45,
    because: 'means',
    examples: { 'Lashing means chains and straps': 'Lashing > Chains, Straps' },
    counter: ['Fog means delay'],
  },
  {
    name: 'in-charge',
    how: 'reports',
    verb: /^be$/,
    behind: /^(?:also )?(?:in charge of|the head of|the leader of|the boss of)\b/,
    voice: 'any',
    parent: 'before',
    weight: 0.8,
    because: 'is in charge of',
    examples: { 'The bosun is in charge of four deckhands': 'Bosun > Four deckhands' },
    counter: ['The ramp is in use'],
  },
  {
    name: 'kind-of',
    how: 'kind',
    verb: /^be$/,
    behind: new RegExp(`^(?:an? |the |some |all |both |two |three |typical |common |other )*${CATEGORY} of\\b`),
    voice: 'any',
    parent: 'behind',
    weight: 0.9,
    because: 'is a kind of',
    examples: { 'Rings and rafts are types of life-saving gear': 'Life-saving gear > Rings, Rafts' },
    counter: ['Rings are heavy'],
  },
  {
    name: 'either-or',
    how: 'kind',
    verb: /^be$/,
    behind: /^(?:either|basically)\b/,
    voice: 'any',
    parent: 'before',
    weight: 0.5,
    because: 'is either',
    examples: { 'A ticket is either a single or a return': 'Ticket > Single, Return' },
    counter: ['The ramp is up'],
  },
]
