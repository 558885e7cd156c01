/** The picture: whether its words can be read, nothing is cut, and its lines could cross less. */
import { drawnFaults } from '../check'
import { all, apply, release, releaseAll, tidy } from '../document'
import { SMALLEST_TEXT, frameTable, type Figure } from '../figure'
import { overlaps } from '../geometry'
import { crossingCount, type Routed } from '../route'
import type { Scene } from '../scene'
import { said, words } from '../words'
import { mend, shortly, type Found, type Looked, type Rule } from './rule'

export type Drawn = {
  readonly looked: Looked
  readonly routed: Routed
  readonly scene: Scene
  /** Another figure, as it would be laid out. */
  readonly redrawn: (figure: Figure) => Routed
}
/** With figures in which it finds something, and does not. */
export type PictureRule = Rule<Drawn> & { readonly fires: string; readonly quiet: string }

/** In points; what rounding takes. */
const NEARLY = 0.05

function small({ looked: { figure }, scene }: Drawn): Found[] {
  const { medium } = frameTable[figure.frame]
  const least = SMALLEST_TEXT[medium]
  if (scene.smallestText === null || scene.smallestText >= least - NEARLY) return []
  const free =
    figure.frame === 'free'
      ? []
      : [mend(figure, said('Let it be as large as it needs'), { do: 'setFigure', set: { frame: 'free' } })]
  return [
    {
      parts: [],
      says: said('Its smallest words have {size, number, ::.#} points; {least} are needed to read them.', {
        size: scene.smallestText,
        least,
      }),
      mends: free,
    },
  ]
}

const named = (figure: Figure, part: string): string =>
  shortly(figure.nodes[part]?.text ?? figure.links[part]?.text ?? figure.title)

/** What somebody has put on something else; sets of a Venn diagram are meant to lie on each other. */
function onTop({ looked: { figure }, routed }: Drawn): Found[] {
  if (figure.kind === 'venn') return []
  const held = routed.nodes.filter((n) => figure.nodes[n.id]?.held)
  return held.flatMap((n) => {
    const under = routed.nodes.filter((m) => m.id !== n.id && m.barOf === null && overlaps(n.box, m.box))
    // Of two that were both put there, it is told of one.
    const told = under.filter((m) => !figure.nodes[m.id]?.held || m.id > n.id)
    return told.map((m) => ({
      parts: [n.id, m.id],
      says: said('“{node}” lies on “{other}”.', { node: named(figure, n.id), other: named(figure, m.id) }),
      mends: [mend(figure, said('Let it find its own place'), release(n.id))],
    }))
  })
}

/** Words that hardly stand out as they are drawn: where somebody has laid one thing under the words of another. */
function faint({ looked: { figure }, scene }: Drawn): Found[] {
  const isPart = (id: string): boolean => figure.nodes[id] !== undefined || figure.links[id] !== undefined
  const owners = new Set(
    drawnFaults(scene).flatMap((f) => (f.code === 'faint-words' && isPart(f.owner) ? [f.owner] : [])),
  )
  const edit = all(tidy(figure), releaseAll(figure))
  const held = Object.values(figure.nodes).some((n) => n.held)
  return [...owners].map((id) => ({
    parts: [id],
    says: said('“{part}” can hardly be read on what lies under it: words need a contrast of 4.5.', {
      part: named(figure, id),
    }),
    mends: held ? [mend(figure, said('Lay it out anew'), edit)] : [],
  }))
}

const unserved = ({ scene }: Drawn): Found[] =>
  scene.missing.length === 0
    ? []
    : [
        {
          parts: [],
          says: said('No font that ships has {letters}: boxes stand there instead.', {
            letters: scene.missing.slice(0, 5).join(' '),
          }),
        },
      ]

/** Where people have put things, another way to put them. */
function crossings({ looked: { figure }, routed, redrawn }: Drawn): Found[] {
  const now = crossingCount(routed.routes)
  const byHand = Object.values(figure.nodes).some((n) => n.held) || Object.values(figure.links).some((l) => l.heldRoute)
  if (now === 0 || !(byHand || figure.places)) return []
  const edit = all(tidy(figure), releaseAll(figure))
  const then = crossingCount(redrawn(apply(figure, edit).figure).routes)
  if (then >= now) return []
  return [
    {
      parts: [],
      says: said('{now, plural, one {One line crosses another} other {# times lines cross}}; laid out anew, {then}.', {
        now,
        then,
      }),
      mends: [mend(figure, said('Lay it out anew'), edit)],
    },
  ]
}

/** Colours set by hand, on some nodes in one and on others in another, with no words that say what they mean. */
function colourAlone({ looked: { figure, nodes } }: Drawn): Found[] {
  const coloured = nodes.filter((n) => n.look?.fill !== undefined && n.look.fill !== 'none')
  const colours = new Set(coloured.map((n) => n.look?.fill))
  const toldElsewhere = coloured.every((n) => n.look?.shape ?? n.icon ?? n.fields?.legend)
  const told = Object.keys(figure.notes ?? {}).length > 0 || figure.caption !== undefined
  if (colours.size < 2 || told || toldElsewhere || colours.size === coloured.length) return []
  return [
    {
      parts: coloured.map((n) => n.id),
      says: said('{count} colours were set by hand, and no words say what they mean.', { count: colours.size }),
    },
  ]
}

const FLOW = 'a step Lower the ramp; b step Load the cars; d step Count them; e step Sail; a>b; b>d; d>e'
const CROSSED = 'process frame=free; a step Ramp = 0 0; b step Cars = 300 200; d step Gate = 300 0; e step Sail = 0 200'
export const pictureRules: readonly PictureRule[] = [
  {
    ...{ id: 'too-small', name: words('Words too small to read'), severity: 'warning' },
    find: small,
    fires: `process frame=square arrangement=across; ${Array.from({ length: 24 }, (_, i) => `n${i} step Check the moorings of berth number ${i} and report them to the bridge${i ? `; n${i - 1}>n${i}` : ''}`).join('; ')}`,
    quiet: `process; ${FLOW}`,
  },
  {
    ...{ id: 'on-top', name: words('One thing on another'), severity: 'error' },
    find: onTop,
    fires: 'process frame=free; a step Ramp = 0 0; b step Cars = 20 10; d step Gate = 300 0; a>b; b>d',
    quiet: 'process frame=free; a step Ramp = 0 0; b step Cars = 0 90; d step Gate = 300 0; a>b; b>d',
  },
  {
    ...{ id: 'faint', name: words('Words that hardly stand out'), severity: 'warning' },
    find: faint,
    fires:
      'venn treatment=solid; a set A * series:1 = 170 153; b set B * series:1 = 77 127; m member Ramp # a = 268 3; n member Cars and more words * tone:accent # a b = 350 108',
    quiet:
      'venn treatment=solid; a set A * series:1; b set B * series:1; m member Ramp # a; n member Cars and more words * tone:accent # a b',
  },
  {
    ...{ id: 'no-letters', name: words('Letters that no font has'), severity: 'error' },
    find: unserved,
    fires: `process; ${FLOW.replace('Sail', 'Sail \u{12000}')}`,
    quiet: `process; ${FLOW}`,
  },
  {
    ...{ id: 'crossings', name: words('Lines that need not cross'), severity: 'note' },
    find: crossings,
    fires: `${CROSSED}; a>b; d>e`,
    quiet: `${CROSSED}; a>e; d>b`,
  },
  {
    ...{ id: 'colour-alone', name: words('Colours that say something nobody explains'), severity: 'note' },
    find: colourAlone,
    fires: `process; ${FLOW.replace('cars', 'cars * series:1').replace('them', 'them * series:2').replace('Sail', 'Sail * series:2')}`,
    quiet: `process; ${FLOW.replace('cars', 'cars * series:1')}`,
  },
]
