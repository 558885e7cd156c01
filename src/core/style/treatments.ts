/** Treatments: how the nodes of an arrangement are dressed. Rows only; `measure/forms` knows where the parts of a form stand,
 *  `layout/finishes` what is drawn besides, `dress` how it is painted. */
import {
  isChain,
  isWordless,
  traitsOf,
  type Colouring,
  type Figure,
  type FigureKind,
  type NodeRole,
  type Trait,
} from '../figure'
import type { ShapeName } from '../geometry'
import type { ToneName } from './houseStyleSchema'
import { words, type Words } from '../words'

/** How the parts of a node stand: a row of `measure/forms`. */
export type FormName = 'centred' | 'panel' | 'headed' | 'ruled' | 'disc' | 'stop' | 'sided' | 'open' | 'row' | 'ledger'
/** What an arrangement gets besides nodes and connectors: a row of `layout/finishes`. */
export type FinishName =
  'segments' | 'route' | 'stops' | 'onward' | 'rules' | 'leafPanels' | 'levelBands' | 'outcomeBars' | 'arcTitles'

export type NodeDress = {
  readonly form: FormName
  /** `house`: as the house style fills; `open`: the ground within an outline; `none`: words alone. */
  readonly fill: 'house' | 'tint' | 'solid' | 'open' | 'none'
  /** Null where the role says it. */
  readonly shape: ShapeName | null
  /** Times the outline of the house style; negative for one that is drawn even where the style has none. */
  readonly outline: number
  /** Size of the heading, times that of the house style. */
  readonly heading: number
  /** Headings in the heading's face. */
  readonly bold: boolean
  /** Null where role or colouring say it. */
  readonly tone: ToneName | null
  /** What is large here is larger in the picture: by links, by share. */
  readonly sizedBy: 'words' | 'links' | 'share'
  /** Its lines begin below each other also where others stand in the middle. */
  readonly start: boolean
}
/** What some treatments tell, and what a figure must have for it. */
const needs = {
  /** One node after another, with nothing said between. */
  chain: (f) => isChain(f) && isWordless(f),
  hub: (f) => hasTrait(f, 'hub'),
  best: (f) => hasTrait(f, 'best'),
  worths: (f) => f.kind === 'decision' && Object.values(f.nodes).filter((n) => n.measure).length > 1,
} as const satisfies Record<string, (figure: Figure) => boolean>
type Need = keyof typeof needs
const hasTrait = (figure: Figure, trait: Trait): boolean =>
  [...traitsOf(figure).values()].some((own) => own.includes(trait))

export type Treatment = {
  readonly name: Words
  /** The arrangements it is made for; all where null. */
  readonly suits: readonly string[] | null
  /** What the figure must have for it: a row of `needs`. */
  readonly needs: Need | null
  readonly node: NodeDress
  readonly roles: Partial<Readonly<Record<NodeRole, Partial<NodeDress>>>>
  /** By what a node is in its figure: over what its role says. */
  readonly traits: Partial<Readonly<Record<Trait, Partial<NodeDress>>>>
  /** Null where the house style says it. */
  readonly colouring: Colouring | null
  readonly finish: FinishName | null
  /** Times the gaps of the house style. */
  readonly gap: number
  /** How connectors are drawn. */
  readonly links: 'house' | 'quiet'
  /** Of Venn diagrams: how the sets are filled. */
  readonly sets: 'tint' | 'solid' | 'outline'
}

const plate: NodeDress = {
  form: 'centred',
  fill: 'house',
  shape: null,
  outline: 1,
  heading: 1,
  bold: false,
  tone: null,
  sizedBy: 'words',
  start: false,
}
const bare: NodeDress = { ...plate, fill: 'none', shape: 'plain', outline: 0 }
const plain: Treatment = {
  name: words('Plates'),
  suits: null,
  needs: null,
  node: plate,
  roles: {},
  traits: {},
  colouring: null,
  finish: null,
  gap: 1,
  links: 'house',
  sets: 'tint',
}
/** Arrangements that tell the order themselves. */
const UNORDERED = ['grid', 'line', 'list', 'ring', 'quadrants']
const OUTLINE: Partial<NodeDress> = { fill: 'open', outline: -1.4 }

const outlines: Treatment = { ...plain, name: words('Outlines'), node: { ...plate, ...OUTLINE } }
const solids: Treatment = { ...plain, name: words('Solids'), node: { ...plate, fill: 'solid', outline: 0 } }

export const treatments = {
  points: {
    plate: plain,
    panel: {
      ...plain,
      name: words('Panels, large numerals'),
      suits: UNORDERED,
      node: { ...plate, form: 'panel', fill: 'solid', outline: 0, bold: true, heading: 1.15 },
    },
    headed: {
      ...plain,
      name: words('Headed panels'),
      suits: [...UNORDERED, 'stages', 'ladder', 'timeLine'],
      node: { ...plate, form: 'headed', fill: 'tint', outline: 0, bold: true, heading: 1.15 },
    },
    ruled: {
      ...plain,
      name: words('Numerals on rules'),
      suits: ['grid', 'line', 'list'],
      node: { ...bare, form: 'ruled', bold: true, heading: 1.15, tone: 'accent' },
      gap: 0.8,
    },
    disc: {
      ...plain,
      name: words('Discs over words'),
      suits: UNORDERED,
      node: { ...bare, form: 'disc', bold: true, heading: 1.15 },
    },
    side: {
      ...plain,
      name: words('Side bars'),
      node: { ...plate, form: 'sided', fill: 'tint', shape: 'rect', outline: 0, bold: true, heading: 1.15 },
      suits: [...UNORDERED, 'stages', 'ladder', 'timeLine'],
    },
    open: {
      ...plain,
      name: words('Words alone'),
      suits: [...UNORDERED, 'stages', 'timeLine'],
      node: { ...bare, form: 'open', bold: true, heading: 1.15 },
    },
    outline: outlines,
    solid: { ...solids, suits: ['stages', 'ladder', 'pyramid', 'timeLine'] },
    bands: {
      ...plain,
      name: words('Stacked bands'),
      suits: ['list', 'pyramid', 'ladder'],
      node: { ...plate, form: 'row', fill: 'solid', shape: 'rect', outline: 0, bold: true, heading: 1.15 },
      gap: 0.16,
    },
    segments: {
      ...plain,
      name: words('Segments of a ring'),
      suits: ['ring'],
      node: { ...bare, form: 'open', bold: true, heading: 1.15 },
      colouring: 'each',
      finish: 'segments',
    },
    milestones: {
      ...plain,
      name: words('Milestones'),
      suits: ['timeLine'],
      node: { ...bare, form: 'open', bold: true, heading: 1.5 },
    },
  },
  process: {
    plate: plain,
    solid: solids,
    outline: outlines,
    side: {
      ...plain,
      name: words('Side bars, who does it'),
      node: { ...plate, form: 'sided', fill: 'tint', shape: 'rect', outline: 0 },
      roles: {
        start: { form: 'centred', shape: 'pill', fill: 'solid' },
        end: { form: 'centred', shape: 'pill', fill: 'solid' },
        question: { form: 'centred', shape: 'diamond', outline: 1 },
        connector: { form: 'centred', shape: 'circle' },
      },
    },
    gates: {
      ...plain,
      name: words('Questions set apart'),
      node: { ...plate, fill: 'tint', outline: 0, tone: 'aside' },
      roles: {
        question: { fill: 'solid', tone: 'accent' },
        start: { fill: 'solid', tone: 'strong' },
        end: { fill: 'solid', tone: 'strong' },
      },
      links: 'quiet',
    },
    route: {
      ...plain,
      name: words('One line, numbered stops'),
      suits: ['rows'],
      needs: 'chain',
      node: { ...bare, form: 'disc' },
      finish: 'route',
    },
    stops: {
      ...plain,
      name: words('Stops on a line'),
      suits: ['down'],
      needs: 'chain',
      node: { ...bare, form: 'stop' },
      finish: 'stops',
    },
    arrows: {
      ...plain,
      name: words('Bands that point on'),
      suits: ['rows'],
      needs: 'chain',
      node: { ...plate, fill: 'solid', shape: 'onward', outline: 0 },
      finish: 'onward',
      gap: 0.14,
    },
    ledger: {
      ...plain,
      name: words('Ledger'),
      suits: ['down'],
      needs: 'chain',
      node: { ...bare, form: 'ledger' },
      finish: 'rules',
    },
    milestones: {
      ...plain,
      name: words('Milestones'),
      suits: ['timeLine'],
      node: { ...bare, form: 'open', bold: true },
    },
  },
  hierarchy: {
    plate: { ...plain, traits: { root: { bold: true, fill: 'solid' } } },
    solid: { ...solids, suits: ['down', 'across', 'stacked', 'levels', 'rays', 'outline'] },
    outline: { ...outlines, traits: { root: { bold: true, fill: 'solid', outline: 0 } } },
    headed: {
      ...plain,
      name: words('Headed panels'),
      suits: ['stacked', 'down', 'across'],
      node: { ...plate, fill: 'solid', outline: 0, bold: true },
      traits: {
        lists: { form: 'headed', fill: 'tint' },
        listed: { form: 'open', fill: 'none', shape: 'plain', bold: false, start: true },
      },
      finish: 'leafPanels',
    },
    ruled: {
      ...plain,
      name: words('Words and rules'),
      suits: ['outline', 'across', 'down', 'stacked', 'rays'],
      node: { ...bare, form: 'open' },
      traits: { root: { bold: true, heading: 1.25 } },
      gap: 0.8,
    },
    discs: {
      ...plain,
      name: words('Discs by share'),
      suits: ['rays', 'down', 'across'],
      node: { ...plate, shape: 'circle', fill: 'solid', outline: 0, sizedBy: 'share' },
      traits: { leaf: { shape: 'plain', fill: 'none', sizedBy: 'words' } },
    },
    tints: {
      ...plain,
      name: words('Nested tints'),
      suits: ['nested', 'byValue', 'ringsByValue', 'levels', 'down'],
      node: { ...plate, fill: 'tint', outline: 0 },
      traits: { root: { bold: true } },
      colouring: 'level',
    },
    bands: {
      ...plain,
      name: words('Bands by level'),
      suits: ['down', 'levels', 'across'],
      node: { ...plate, fill: 'open', outline: 0 },
      traits: { root: { bold: true } },
      finish: 'levelBands',
      colouring: 'level',
    },
  },
  concept: {
    plate: plain,
    outline: outlines,
    paper: {
      ...plain,
      name: words('Words on paper'),
      node: { ...bare, bold: true },
      links: 'quiet',
    },
    discs: {
      ...plain,
      name: words('Discs by links'),
      node: { ...plate, shape: 'circle', fill: 'solid', outline: 0, sizedBy: 'links' },
    },
    cards: {
      ...plain,
      name: words('Cards'),
      node: { ...plate, form: 'sided', fill: 'tint', shape: 'rect', outline: 0, bold: true },
    },
    hub: {
      ...plain,
      name: words('The hub large'),
      needs: 'hub',
      node: { ...plate, fill: 'tint', tone: 'aside', outline: 0 },
      traits: { hub: { fill: 'solid', tone: 'accent', heading: 1.5, bold: true } },
      links: 'quiet',
    },
  },
  venn: {
    tint: { ...plain, name: words('Tints') },
    solid: { ...plain, name: words('Solids, hatched where they meet'), sets: 'solid' },
    outline: { ...plain, name: words('Thick outlines'), sets: 'outline' },
    arcs: {
      ...plain,
      name: words('Titles on arcs'),
      suits: ['circles', 'toScale', 'withContent'],
      finish: 'arcTitles',
      sets: 'outline',
    },
    cards: {
      ...plain,
      name: words('Members on cards'),
      roles: { member: { fill: 'open', shape: 'roundRect', outline: -0.6 } },
    },
  },
  decision: {
    plate: plain,
    outline: outlines,
    solid: { ...solids, suits: ['tree', 'down', 'flow', 'field'] },
    bars: {
      ...plain,
      name: words('Outcomes as bars'),
      suits: ['tree'],
      needs: 'worths',
      roles: { outcome: { ...bare, form: 'open' } },
      finish: 'outcomeBars',
      links: 'quiet',
    },
    rest: {
      ...plain,
      name: words('The best way bold'),
      needs: 'best',
      node: { ...plate, fill: 'tint', tone: 'aside', outline: 0 },
      traits: { best: { fill: 'solid', tone: 'accent', bold: true } },
      links: 'quiet',
    },
    ledger: {
      ...plain,
      name: words('Ledger'),
      suits: ['table'],
      node: { ...bare, form: 'open' },
      roles: { option: { bold: true, heading: 1.15 } },
      traits: { best: { fill: 'solid', tone: 'accent', shape: 'roundRect', form: 'centred', bold: true } },
    },
  },
} satisfies Record<FigureKind, Record<string, Treatment>>

export type NamedTreatment = Treatment & { readonly id: string }

/** Those that a figure can be dressed in as it is arranged, the plain one first. */
export const treatmentsFor = (figure: Figure): readonly NamedTreatment[] =>
  Object.entries<Treatment>(treatments[figure.kind])
    .map(([id, row]) => ({ id, ...row }))
    .filter((t) => t.suits === null || t.suits.includes(figure.arrangement))
    .filter((t) => t.needs === null || needs[t.needs](figure))

/** The first of the wanted names that suits the figure; the plain treatment where none does. */
export function treatmentRow(figure: Figure, ...wanted: readonly (string | undefined)[]): NamedTreatment {
  const list = treatmentsFor(figure)
  for (const name of wanted) {
    const found = list.find((t) => t.id === name)
    if (found) return found
  }
  return list[0] as NamedTreatment
}
