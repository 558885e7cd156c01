/** Forms: where the pieces of a node stand in it, a row each. `size` is the least room they need, `stand` where they are in a
 *  box of at least that size; layout may have made it larger. Lengths in layout px. */
import { boxAround, centreOf, type Box, type Point, type Size } from '../geometry'
import type { FormName } from '../style'
import {
  column,
  draft,
  iconItem,
  merged,
  running,
  stacked,
  word,
  type Draft,
  type FormRoom,
  type Item,
  type Standing,
} from './pieceItems'
import type { Pieces } from './pieces'

type Form = {
  /** Its place in the order, large or as large as its words; who does it. */
  readonly shows: { readonly numeral: 'large' | 'small' | null; readonly actor: boolean }
  /** Room that is no words', beside them. */
  readonly beside: (p: Pieces, f: FormRoom) => number
  readonly size: (p: Pieces, f: FormRoom) => Size
  readonly stand: (p: Pieces, box: Box, f: FormRoom) => Standing
}

const padded = (s: Size, f: FormRoom): Size => ({ width: s.width + 2 * f.pad.x, height: s.height + 2 * f.pad.y })
const single = (item: Item | undefined, centre: Point): Draft => {
  const out = draft()
  item?.put(centre, out)
  return out
}
const NONE = { numeral: null, actor: false }

/** Words in the middle, a picture or icon over them. */
const centred: Form = {
  shows: NONE,
  beside: () => 0,
  size: (p, f) => padded(column([...iconItem(p), ...running(p, false)], f), f),
  stand: (p, box, f) => {
    const items = [...iconItem(p), ...running(p, false)]
    const { height } = column(items, f)
    return merged([], stacked(items, { top: centreOf(box).y - height / 2, left: box.x, width: box.width }, false, f))
  },
}

/** A large numeral over words that begin at its left; the icon in the other corner. */
const panel: Form = {
  shows: { numeral: 'large', actor: false },
  beside: () => 0,
  size: (p, f) => {
    const head = headOf(p, f)
    const body = column(running(p, true), f)
    return padded({ width: Math.max(head.width, body.width), height: head.height + body.height }, f)
  },
  stand: (p, box, f) => {
    const head = headOf(p, f)
    const [left, right, top] = [box.x + f.pad.x, box.x + box.width - f.pad.x, box.y + f.pad.y]
    const y = top + (p.numeral?.height ?? p.icon?.height ?? 0) / 2
    const [numeral] = word('numeral', p.numeral, true)
    const [icon] = iconItem(p)
    return merged(
      [],
      single(numeral, { x: left + (p.numeral?.width ?? 0) / 2, y }),
      single(icon, { x: p.numeral ? right - (p.icon?.width ?? 0) / 2 : left + (p.icon?.width ?? 0) / 2, y }),
      stacked(running(p, true), { top: top + head.height, left, width: right - left }, true, f),
    )
  },
}
const headOf = (p: Pieces, f: FormRoom): Size => {
  const parts = [p.numeral, p.icon].flatMap((x) => (x ? [x] : []))
  if (parts.length === 0) return { width: 0, height: 0 }
  return {
    width: parts.reduce((s, x) => s + x.width, 0) + (parts.length - 1) * f.unit,
    height: Math.max(...parts.map((x) => x.height)) + 0.5 * f.unit,
  }
}

/** The heading in a band as high as those beside it, the rest below. */
const headed: Form = {
  shows: NONE,
  beside: (p, f) => (p.icon ? p.icon.width + f.unit * 0.6 : 0),
  size: (p, f) => {
    const body = column(bodyOf(p), f)
    const band = bandOf(p, f)
    const head = (p.heading?.width ?? 0) + headed.beside(p, f)
    return {
      width: Math.max(head, body.width) + 2 * f.pad.x,
      height: band + (body.height > 0 ? body.height + 2 * f.pad.y : 0),
    }
  },
  stand: (p, box, f) => {
    const body = bodyOf(p)
    const band = body.length > 0 ? bandOf(p, f) : box.height
    const [left, right, y] = [box.x + f.pad.x, box.x + box.width - f.pad.x, box.y + band / 2]
    const [heading] = word('heading', p.heading, true)
    const [icon] = iconItem(p)
    return merged(
      [{ plate: 'band', box: { ...box, height: band } }],
      single(heading, { x: left + (p.heading?.width ?? 0) / 2, y }),
      single(icon, { x: right - (p.icon?.width ?? 0) / 2, y }),
      stacked(body, { top: box.y + band + f.pad.y, left, width: right - left }, true, f),
    )
  },
}
const bodyOf = (p: Pieces): Item[] => running({ ...p, heading: null }, true)
const bandOf = (p: Pieces, f: FormRoom): number =>
  Math.max(p.icon?.height ?? 0, p.heading ? f.shared.heading.height : 0) + f.pad.y * 1.5

/** A numeral in a column of its own, words beside it, a rule above both. */
const ruled: Form = {
  shows: { numeral: 'large', actor: false },
  beside: (_, f) => f.shared.numeral + f.unit * 0.8,
  size: (p, f) => {
    const body = column(running(p, true), f)
    return {
      width: body.width + ruled.beside(p, f) + (p.icon ? p.icon.width + f.unit : 0),
      height: Math.max(body.height, p.numeral?.height ?? 0) + 1.6 * f.pad.y,
    }
  },
  stand: (p, box, f) => {
    const left = box.x + ruled.beside(p, f)
    const top = box.y + 0.8 * f.pad.y
    const [numeral] = word('numeral', p.numeral, true)
    const [icon] = iconItem(p)
    return merged(
      [{ plate: 'rule', box: { ...box, height: 0 } }],
      single(numeral, { x: box.x + (p.numeral?.width ?? 0) / 2, y: top + (p.numeral?.height ?? 0) / 2 }),
      single(icon, { x: box.x + box.width - (p.icon?.width ?? 0) / 2, y: top + (p.icon?.height ?? 0) / 2 }),
      stacked(running(p, true), { top, left, width: box.x + box.width - left }, true, f),
    )
  },
}

/** Of the size of the words. */
const DISC = 2.5
/** An icon, else the number, in a disc; words in the middle below. */
const disc: Form = {
  shows: { numeral: 'small', actor: false },
  beside: () => 0,
  size: (p, f) => {
    const body = column(running(p, false), f)
    return {
      width: Math.max(DISC * f.unit, body.width) + f.unit * 0.4,
      height: (DISC + 0.6) * f.unit + body.height,
    }
  },
  stand: (p, box, f) => {
    const radius = (DISC * f.unit) / 2
    const c = { x: centreOf(box).x, y: box.y + radius }
    const [sign] = p.icon ? iconItem(p) : word('numeral', p.numeral, false)
    return merged(
      [{ plate: 'disc', box: boxAround(c, { width: 2 * radius, height: 2 * radius }) }],
      single(sign, c),
      stacked(running(p, false), { top: box.y + (DISC + 0.6) * f.unit, left: box.x, width: box.width }, false, f),
    )
  },
}

/** Of the size of the words. */
const BAR = 0.32
/** A number in a disc, words beside it. */
const STOP = 2
const stop: Form = {
  shows: { numeral: 'small', actor: true },
  beside: (_, f) => (STOP + 0.8) * f.unit,
  size: (p, f) => {
    const body = column(sidedItems(p), f)
    return {
      width: body.width + stop.beside(p, f),
      height: Math.max(body.height, STOP * f.unit) + f.pad.y,
    }
  },
  stand: (p, box, f) => {
    const radius = (STOP * f.unit) / 2
    const body = column(sidedItems(p), f)
    const c = { x: box.x + radius, y: centreOf(box).y }
    const left = box.x + stop.beside(p, f)
    const [sign] = p.icon ? iconItem(p) : word('numeral', p.numeral, false)
    return merged(
      [{ plate: 'disc', box: boxAround(c, { width: 2 * radius, height: 2 * radius }) }],
      single(sign, c),
      stacked(sidedItems(p), { top: c.y - body.height / 2, left, width: body.width }, true, f),
    )
  },
}

/** A bar at the side; who acts stands small over the words. */
const sided: Form = {
  shows: { numeral: null, actor: true },
  beside: (p, f) => BAR * f.unit + (p.icon ? p.icon.width + f.unit * 0.6 : 0),
  size: (p, f) => {
    const body = column(sidedItems(p), f)
    return {
      width: body.width + 2 * f.pad.x + sided.beside(p, f),
      height: Math.max(body.height, p.icon?.height ?? 0) + 2 * f.pad.y,
    }
  },
  stand: (p, box, f) => {
    const bar = BAR * f.unit
    const left = box.x + bar + f.pad.x
    const [icon] = iconItem(p)
    // Those beside each other begin on one line, however much each says.
    return merged(
      [{ plate: 'bar', box: { ...box, width: bar } }],
      stacked(sidedItems(p), { top: box.y + f.pad.y, left, width: box.x + box.width - left }, true, f),
      single(icon, { x: box.x + box.width - f.pad.x * 0.7 - (p.icon?.width ?? 0) / 2, y: centreOf(box).y }),
    )
  },
}
const sidedItems = (p: Pieces): Item[] => [...word('actor', p.actor, true), ...running(p, true)]

/** Words alone, with an icon over them. */
const open: Form = {
  shows: NONE,
  beside: () => 0,
  size: (p, f) => {
    const s = column([...iconItem(p), ...running(p, !f.centred)], f)
    return { width: s.width + f.pad.x * 0.8, height: s.height + f.pad.y * 0.9 }
  },
  stand: (p, box, f) => {
    const items = [...iconItem(p), ...running(p, !f.centred)]
    const { height } = column(items, f)
    const top = f.centred ? centreOf(box).y - height / 2 : box.y + f.pad.y * 0.45
    return merged(
      [],
      stacked(items, { top, left: box.x + f.pad.x * 0.4, width: box.width - f.pad.x * 0.8 }, !f.centred, f),
    )
  },
}

/** A numeral and words beside it, over the whole length of a band. */
const row: Form = {
  shows: { numeral: 'large', actor: false },
  beside: (p, f) => (p.numeral ? f.shared.numeral + f.unit * 0.8 : 0) + (p.icon ? p.icon.width + f.unit * 0.8 : 0),
  size: (p, f) => {
    const body = column(running(p, true), f)
    return padded(
      {
        width: body.width + row.beside(p, f),
        height: Math.max(body.height, p.numeral?.height ?? 0, p.icon?.height ?? 0),
      },
      f,
    )
  },
  stand: (p, box, f) => {
    const body = column(running(p, true), f)
    const y = centreOf(box).y
    const whole = body.width + row.beside(p, f)
    const left = f.centred ? centreOf(box).x - whole / 2 : box.x + f.pad.x
    const start = left + (p.numeral ? f.shared.numeral + f.unit * 0.8 : 0)
    const [numeral] = word('numeral', p.numeral, true)
    const [icon] = iconItem(p)
    return merged(
      [],
      single(numeral, { x: left + (p.numeral?.width ?? 0) / 2, y }),
      stacked(running(p, true), { top: y - body.height / 2, left: start, width: body.width }, true, f),
      single(icon, { x: start + body.width + f.unit * 0.8 + (p.icon?.width ?? 0) / 2, y }),
    )
  },
}

/** Number, words, who does it and how long it takes, in columns that all rows share. */
const ledger: Form = {
  shows: { numeral: 'small', actor: true },
  beside: (_, f) => ledgerColumns(f).reduce((s, c) => s + c, 0),
  size: (p, f) => {
    const body = column(ledgerItems(p), f)
    const [numeral, actor, measure] = ledgerColumns(f)
    return {
      width:
        (numeral as number) + Math.max(body.width, f.shared.heading.width) + (actor as number) + (measure as number),
      height: Math.max(body.height, (p.numeral?.height ?? 0) * 0.8) + f.pad.y * 1.2,
    }
  },
  stand: (p, box, f) => {
    const [first, actor, measure] = ledgerColumns(f) as [number, number, number]
    const y = centreOf(box).y
    const right = box.x + box.width
    const body = column(ledgerItems(p), f)
    const [numeral] = word('numeral', p.numeral, true)
    const [who] = word('actor', p.actor, true)
    const [how] = word('measure', p.measure, true)
    return merged(
      [],
      single(numeral, { x: box.x + (p.numeral?.width ?? 0) / 2, y }),
      stacked(ledgerItems(p), { top: y - body.height / 2, left: box.x + first, width: body.width }, true, f),
      single(who, { x: right - measure - actor + f.unit + (p.actor?.width ?? 0) / 2, y }),
      single(how, { x: right - (p.measure?.width ?? 0) / 2, y }),
    )
  },
}
const ledgerItems = (p: Pieces): Item[] => running({ ...p, measure: null }, true)
const ledgerColumns = (f: FormRoom): readonly number[] => {
  const { numeral, actor, measure } = f.shared
  const room = (w: number) => (w > 0 ? w + f.unit : 0)
  return [room(numeral), room(actor), room(measure)]
}

export const forms: Readonly<Record<FormName, Form>> = {
  centred,
  panel,
  headed,
  ruled,
  disc,
  stop,
  sided,
  open,
  row,
  ledger,
}
