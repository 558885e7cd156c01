export { formsOf, iconFamilies, iconsFor, type IconFamily, type IconIndex } from './match'
export { ownIcon, type OwnName } from './own'
