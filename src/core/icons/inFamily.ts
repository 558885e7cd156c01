import table from './counterparts.json' with { type: 'json' }
import type { IconFamily } from './match'

const filled: Readonly<Record<string, string>> = table
const inLines: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(filled)
    .toReversed()
    .map(([line, fill]) => [fill, line]),
)

/** The icon that shows the same in a family of drawings; itself where the family has none, and where it is somebody's own. */
export function inFamily(icon: string, family: IconFamily): string {
  const [own, name = ''] = icon.split('/')
  if (own === family || (own !== 'line' && own !== 'fill')) return icon
  const other = (family === 'fill' ? filled : inLines)[name]
  return other === undefined ? icon : `${family}/${other}`
}
