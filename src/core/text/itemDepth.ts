import type { Marker } from './markers'

/** An open level of a list: where it is indented to, and what marks its items. */
export type Level = { readonly indent: number; readonly style: string }

/** Depth of an item by its indent, one column of slack; at equal indents a change from numbers to bullets goes deeper. */
export function depthOf(stack: Level[], indent: number, marker: Marker): number {
  // Plus and minus mark two sides of one list.
  const side = (style: string) => (/^bullet[+\-−–]$/.test(style) ? 'bullet-' : style)
  const same = (s: { indent: number; style: string }) => side(s.style) === side(marker.style)
  while (stack.length && indent < (stack.at(-1) as { indent: number }).indent - 1) stack.pop()
  const top = stack.at(-1)
  if (top && indent <= top.indent + 1 && !same(top)) {
    const known = stack.findLastIndex((s) => same(s) && Math.abs(s.indent - indent) <= 1)
    if (known >= 0) stack.length = known
    else if (marker.style === 'number' || marker.style === 'step')
      stack.length = Math.max(
        0,
        stack.findIndex((s) => Math.abs(s.indent - indent) <= 1),
      )
  } else if (top && indent <= top.indent + 1) stack.pop()
  stack.push({ indent, style: marker.style })
  return stack.length - 1
}
