export { contrast } from './contrast'
export { fontChain, fontKeys, fontTable, typefaceTable, type FontKey, type Weight } from './fonts'
export { PLAIN, styleOf, type FigureStyle, type RoleLook, type TextLook, type Theme } from './style'
