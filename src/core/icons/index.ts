export { formsOf, iconFamilies, iconsFor, type IconFamily, type IconIndex } from './match'
