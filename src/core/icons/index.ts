export { formsOf, iconFamilies, iconsFor, type IconFamily, type IconIndex } from './match'
export { inFamily } from './inFamily'
export { ownIcon, type OwnName } from './own'
