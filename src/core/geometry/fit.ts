import type { Box, Point } from './box'

/** How lengths of the layout become those of a frame: multiply by `scale`, then add `dx`, `dy`. `across` is 1, or -1 where the
 *  picture is read from right to left: then x runs the other way. */
export type Fit = { readonly scale: number; readonly dx: number; readonly dy: number; readonly across: 1 | -1 }

export const pointIn = (p: Point, f: Fit): Point => ({ x: p.x * f.scale * f.across + f.dx, y: p.y * f.scale + f.dy })
export const boxIn = (b: Box, f: Fit): Box => ({
  ...pointIn({ x: f.across < 0 ? b.x + b.width : b.x, y: b.y }, f),
  width: b.width * f.scale,
  height: b.height * f.scale,
})
/** And back: a place of the frame in the layout. */
export const pointOut = (p: Point, f: Fit): Point => ({
  x: (p.x - f.dx) / (f.scale * f.across),
  y: (p.y - f.dy) / f.scale,
})
/** A box of the frame in the layout. */
export const boxOut = (b: Box, f: Fit): Box => ({
  ...pointOut({ x: f.across < 0 ? b.x + b.width : b.x, y: b.y }, f),
  width: b.width / f.scale,
  height: b.height / f.scale,
})
/** A step on the frame as one in the layout. */
export const stepOut = (by: Point, f: Fit): Point => ({ x: by.x / (f.scale * f.across), y: by.y / f.scale })
