export { broughtBy } from './broughtBy'
export { checkStyle, type StyleFault } from './checkStyle'
export {
  contrast,
  flattened,
  greyOf,
  hexOf,
  mixed,
  seenWith,
  shadeOf,
  standingOut,
  type Deficiency,
  type Shade,
} from './colour'
export {
  fontChain,
  fontFaceOf,
  fontKeys,
  fontTable,
  isShippedFont,
  ownFontHash,
  typefaceTable,
  type FontKey,
  type ShippedFont,
} from './fonts'
export { houseStyles, styleSaid, type ShippedStyle } from './houseStyles'
export { ownFamily } from './ownFamily'
export { STANDARD_STYLE } from './standardStyle'
export { corners } from '../geometry'
export {
  cornerNames,
  fillNames,
  fills,
  handNames,
  lineEndNames,
  hands,
  lineEnds,
  houseStyleSchema,
  toneNames,
  voices,
  type HouseStyle,
  type OwnFonts,
  type PaletteFields,
  type ToneName,
  type Voice,
} from './houseStyleSchema'
export { LINE, TEXT, onScale, paletteOf, toneOf, wordsOn, type Palette, type Tone } from './palette'
export {
  PLAIN,
  houseOf,
  houseStyleNamed,
  plainWardrobe,
  styleOf,
  type FigureStyle,
  type TextLook,
  type Theme,
  type Wardrobe,
} from './style'
export {
  treatmentRow,
  treatments,
  treatmentsFor,
  type FinishName,
  type FormName,
  type NamedTreatment,
  type NodeDress,
  type Treatment,
} from './treatments'
export { MOST_COLOURS, coloursIn, inColours, schemeOf, type Scheme, type SchemeNote } from './scheme'
