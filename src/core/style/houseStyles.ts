/** The house styles that ship: a file and a row each, and nothing else needs to know of a new one. Shades are OKLCH. What
 *  each is recognised by stands in its `about`; `style.test` holds them to `checkStyle`. */
import type { HouseStyle } from './houseStyleSchema'
import { chartTable } from './houses/chartTable'
import { signalFlags } from './houses/signalFlags'
import { logBook } from './houses/logBook'
import { nightWatch } from './houses/nightWatch'
import { lighthouse } from './houses/lighthouse'
import { tideline } from './houses/tideline'
import { regatta } from './houses/regatta'
import { kelp } from './houses/kelp'
import { ropeAndBrass } from './houses/ropeAndBrass'
import { fog } from './houses/fog'
import { ticket } from './houses/ticket'
import { chalkAndSlate } from './houses/chalkAndSlate'
import { own, said, type Said, type Words } from '../words'

export const houseStyles = {
  'chart-table': chartTable,
  'signal-flags': signalFlags,
  'log-book': logBook,
  'night-watch': nightWatch,
  lighthouse,
  tideline,
  regatta,
  kelp,
  'rope-and-brass': ropeAndBrass,
  fog,
  ticket,
  'chalk-and-slate': chalkAndSlate,
} satisfies Record<string, HouseStyle>

export type ShippedStyle = keyof typeof houseStyles

/** What a style is called and says of itself: of one that ships, in any language; of somebody's own, as they named it. */
export const styleSaid = (id: string, style: HouseStyle): { readonly name: Said; readonly about: Said } =>
  id in houseStyles
    ? { name: said(style.name as Words), about: said(style.about as Words) }
    : { name: own(style.name), about: own(style.about) }
