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
export { fontChain, fontKeys, fontTable, typefaceTable, type FontKey } from './fonts'
export { STANDARD_STYLE, houseStyles } from './houseStyles'
export { houseStyleSchema, toneNames, type HouseStyle, type PaletteFields, type ToneName } from './houseStyleSchema'
export { LINE, TEXT, onScale, paletteOf, toneOf, type Palette, type Tone } from './palette'
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
