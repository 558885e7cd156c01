/** The drawings of icons, out of the files of their packages. */
import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import type { Icon } from '@/core/formats'
import type { IconFamily } from '@/core/icons'
import { shippedFile } from './home'

/** Where the files of each family lie, and how their names end. */
export const iconFolders: Readonly<Record<IconFamily, string>> = {
  line: shippedFile('node_modules/@tabler/icons/icons/outline'),
  fill: shippedFile('node_modules/@phosphor-icons/core/assets/fill'),
}
const fileNames: Readonly<Record<IconFamily, (name: string) => string>> = {
  line: (name) => `${name}.svg`,
  fill: (name) => `${name}-fill.svg`,
}
const NAME = /^(line|fill)\/([a-z0-9]+(?:-[a-z0-9]+)*)$/

const held = globalThis as typeof globalThis & { compassIcons?: Map<string, Icon | null> }

/** The outlines of an icon by its name, `family/name`; null where there is none. */
export function iconAt(name: string): Icon | null {
  const known = (held.compassIcons ??= new Map())
  const found = known.get(name)
  if (found !== undefined) return found
  const icon = readIcon(name)
  known.set(name, icon)
  return icon
}

function readIcon(name: string): Icon | null {
  const [, family, own] = NAME.exec(name) ?? []
  if (!family || !own) return null
  const file = path.join(iconFolders[family as IconFamily], fileNames[family as IconFamily](own))
  if (!existsSync(file)) return null
  const svg = readFileSync(file, 'utf8')
  const size = Number(/viewBox="0 0 (\d+)/.exec(svg)?.[1] ?? 24)
  const paths = [...svg.matchAll(/<path\b([^>]*?)\/?>/g)].flatMap(([, attributes = '']) => {
    const d = /\bd="([^"]+)"/.exec(attributes)?.[1]
    return d && !/stroke="none"/.test(attributes) ? [d] : []
  })
  return { size, paths, stroke: family === 'line' ? 2 : null }
}
