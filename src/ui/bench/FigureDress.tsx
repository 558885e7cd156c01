'use client'

import {
  colourings,
  connectorFormNames,
  connectorForms,
  frameTable,
  lineColours,
  margins,
  typefaces,
  type Colouring,
  type Figure,
  type FigureNode,
  type Ground,
} from '@/core/figure'
import { all, type Edit } from '@/core/document'
import { houseOf, typefaceTable, type HouseStyle } from '@/core/style'
import { compute } from '@/workers/client'
import { useWardrobe } from '../folio/wardrobe'
import { Row } from './DetailFields'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

type Dress = Figure['dress']
type DressRow = {
  readonly label: Said
  readonly says: Said
  readonly options: readonly (readonly [value: string, name: Said])[]
  readonly read: (d: Dress) => string
  readonly write: (d: Dress, value: string) => Dress
  readonly when?: (f: Figure) => boolean
}

const AS_IT_IS = ['', said('As the style has it')] as const
const one = <T extends string>(list: readonly T[], value: string): T | undefined => list.find((v) => v === value)
const feel = (d: Dress, set: Dress['feel']): Dress => {
  const next = Object.fromEntries(Object.entries({ ...d.feel, ...set }).filter(([, v]) => v !== undefined))
  return { ...d, feel: Object.keys(next).length > 0 ? next : undefined }
}
const colouringNames: Readonly<Record<Colouring, Said>> = {
  role: said('By role'),
  one: said('All alike'),
  each: said('Each its own'),
  level: said('By level'),
  branch: said('By branch'),
  group: said('By what links join'),
  actor: said('By who does it'),
  value: said('By value, on a scale'),
  data: said('By a column of data'),
}
const groundNames: Readonly<Record<Ground, Said>> = {
  paper: said('Paper'),
  none: said('None: see-through in files'),
  tint: said('A tint'),
  band: said('A band under the title'),
}
const AIR: Readonly<Record<string, number>> = { tight: 0.75, airy: 1.35 }
const SHADOW: Readonly<Record<string, number>> = { flat: 0, printed: 0.2 }
const nameOf = (names: Readonly<Record<string, number>>, value: number | undefined): string =>
  Object.keys(names).find((k) => names[k] === value) ?? ''

const rows: readonly DressRow[] = [
  {
    label: said('Type'),
    says: said('Typeface of the figure'),
    options: typefaces.map((t) => [t, said(typefaceTable[t].name)] as const),
    read: (d) => d.typeface ?? '',
    write: (d, v) => ({ ...d, typeface: one(typefaces, v) }),
  },
  {
    label: said('Links'),
    says: said('Form of the connectors'),
    options: connectorForms.map((f) => [f, said(connectorFormNames[f])] as const),
    read: (d) => d.connectors ?? '',
    write: (d, v) => ({ ...d, connectors: one(connectorForms, v) }),
    when: (f) => Object.keys(f.links).length > 0,
  },
  {
    label: said('Line colour'),
    says: said('Whose colour the connectors have'),
    options: [
      ['source', said('Of what they come from')],
      ['target', said('Of what they lead to')],
    ],
    read: (d) => d.lineColour ?? '',
    write: (d, v) => ({ ...d, lineColour: one(lineColours, v) }),
    when: (f) => Object.keys(f.links).length > 0,
  },
  {
    label: said('Colour'),
    says: said('What colours tell apart'),
    options: colourings.map((c) => [c, colouringNames[c]] as const),
    read: (d) => d.colouring ?? '',
    write: (d, v) => ({ ...d, colouring: one(colourings, v) }),
  },
  {
    label: said('Fill'),
    says: said('How shapes are filled'),
    options: [
      ['tint', said('Tints')],
      ['solid', said('Full colours')],
      ['open', said('Outlines')],
    ],
    read: (d) => d.feel?.fill ?? '',
    write: (d, v) => feel(d, { fill: one(['tint', 'solid', 'open'] as const, v) }),
  },
  {
    label: said('Hand'),
    says: said('Crisp or drawn by hand'),
    options: [
      ['crisp', said('Crisp')],
      ['drawn', said('Drawn by hand')],
    ],
    read: (d) => d.feel?.hand ?? '',
    write: (d, v) => feel(d, { hand: one(['crisp', 'drawn'] as const, v) }),
  },
  {
    label: said('Depth'),
    says: said('Flat or with a printed shadow'),
    options: [
      ['flat', said('Flat')],
      ['printed', said('A printed shadow')],
    ],
    read: (d) => nameOf(SHADOW, d.feel?.depth),
    write: (d, v) => feel(d, { depth: SHADOW[v] }),
  },
  {
    label: said('Air'),
    says: said('Tight or airy'),
    options: [
      ['tight', said('Tight')],
      ['airy', said('Airy')],
    ],
    read: (d) => nameOf(AIR, d.feel?.space),
    write: (d, v) => feel(d, { space: AIR[v] }),
  },
  {
    label: said('Ground'),
    says: said('What lies behind the figure'),
    options: Object.entries(groundNames),
    read: (d) => d.ground ?? '',
    write: (d, v) => ({
      ...d,
      ground: one(['paper', 'none', 'tint', 'band'] as const, v),
      // A band is under a title.
      ...(v === 'band' ? { titled: true } : {}),
    }),
  },
  {
    label: said('Margins'),
    says: said('Free room around the picture'),
    options: [
      ['narrow', said('Narrow')],
      ['wide', said('Wide')],
    ],
    read: (d) => d.margins ?? '',
    write: (d, v) => ({ ...d, margins: one(margins, v) }),
  },
]

type Tick = {
  readonly says: Said
  readonly read: (d: Dress) => boolean
  readonly write: (d: Dress, on: boolean) => Dress
  readonly when?: (f: Figure, house: HouseStyle) => boolean
}
const ticks: readonly Tick[] = [
  {
    says: said('Numbers where the treatment has them'),
    read: (d) => d.numbered ?? true,
    write: (d, on) => ({ ...d, numbered: on ? undefined : false }),
  },
  {
    says: said('Its number in the folio before the caption'),
    read: (d) => d.counted ?? false,
    write: (d, on) => ({ ...d, counted: on ? true : undefined }),
  },
  {
    says: said('The logo of the house'),
    read: (d) => !d.unsigned,
    write: (d, on) => ({ ...d, unsigned: on ? undefined : true }),
    when: (f, house) => house.logo !== undefined && frameTable[f.frame].height !== null,
  },
]

/** A heading is short, and what it means is below it. */
export const sayingOf = (n: FigureNode): string => [n.text, n.detail ?? ''].join(' ').trim()

/** An icon for every node whose words suggest one, or none at all. */
function AllIcons({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure, apply, tell } = work
  const wardrobe = useWardrobe()
  const nodes = Object.values(figure.nodes).filter((n) => n.role !== 'criterion')
  const set = (icons: readonly (string | null)[]) =>
    apply(all(...nodes.map((n, i): Edit => ({ do: 'setNode', id: n.id, set: { icon: icons[i] ?? null } }))))
  const match = () => {
    compute()
      .bestIcons(nodes.map(sayingOf), houseOf(figure, wardrobe).icons)
      .then(set, (error: unknown) => tell(t('The icons could not be loaded: {error}', { error: String(error) })))
  }
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      <button type="button" className="text-button" onClick={match}>
        {t('Match icons to the words')}
      </button>
      {nodes.some((n) => n.icon) && (
        <button type="button" className="text-button" onClick={() => set([])}>
          {t('No icons')}
        </button>
      )}
    </div>
  )
}

/** How this figure departs from its house style; each row gives way to it again. */
export function FigureDress({ work }: { readonly work: Work }) {
  const t = useWords()
  const { figure, apply } = work
  const set = (dress: Dress) =>
    apply({
      do: 'setFigure',
      set: { dress: Object.fromEntries(Object.entries(dress).filter(([, v]) => v !== undefined)) },
    })
  const house = houseOf(figure, useWardrobe())
  const shown = rows.filter((r) => r.when?.(figure) ?? true)
  return (
    <details className="group" open={Object.keys(figure.dress).some((k) => k !== 'titled')}>
      <summary className="text-[13px] font-semibold">{t('Its own look')}</summary>
      <div className="mt-2 flex flex-col gap-2">
        {shown.map((r) => (
          <Row key={r.label.says} label={t(r.label)}>
            <select
              aria-label={t(r.says)}
              className="field"
              value={r.read(figure.dress)}
              onChange={(e) => set(r.write(figure.dress, e.target.value))}
            >
              {[AS_IT_IS, ...r.options].map(([value, name]) => (
                <option key={value} value={value}>
                  {t(name)}
                </option>
              ))}
            </select>
          </Row>
        ))}
        {ticks
          .filter((k) => k.when?.(figure, house) ?? true)
          .map((k) => (
            <label key={k.says.says} className="flex items-center gap-2 text-[13px]">
              <input
                type="checkbox"
                checked={k.read(figure.dress)}
                onChange={(e) => set(k.write(figure.dress, e.target.checked))}
              />
              {t(k.says)}
            </label>
          ))}
        <AllIcons work={work} />
      </div>
    </details>
  )
}
