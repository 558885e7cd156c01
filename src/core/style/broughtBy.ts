import { ownIcon } from '../icons'
import type { HouseStyle } from './houseStyleSchema'

/** What a style needs of what people brought, by hash. */
export const broughtBy = ({
  fonts = {},
  logo,
}: HouseStyle): { readonly fonts: readonly string[]; readonly logo: string | null } => ({
  fonts: [...new Set(Object.values(fonts).map((f) => f.hash))],
  logo: ownIcon(logo?.icon ?? '')?.hash ?? null,
})
