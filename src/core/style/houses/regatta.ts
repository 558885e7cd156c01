import type { HouseStyle } from '../houseStyleSchema'
import { words } from '../../words'

export const regatta: HouseStyle = {
  name: words('Regatta'),
  about: words('Two strong opposites, and hatching where they meet: for one thing against another.'),
  light: {
    ground: [0.965, 0.008, 80],
    ink: [0.24, 0.05, 255],
    tones: {
      main: [0.37, 0.1, 255],
      accent: [0.62, 0.19, 40],
      aside: [0.6, 0.05, 255],
      good: [0.37, 0.1, 255],
      poor: [0.62, 0.19, 40],
      strong: [0.24, 0.05, 255],
    },
    series: [
      [0.62, 0.19, 40],
      [0.37, 0.1, 255],
      [0.78, 0.11, 75],
      [0.6, 0.09, 250],
    ],
    tint: 0.14,
  },
  dark: {
    ground: [0.21, 0.035, 258],
    ink: [0.96, 0.01, 80],
    tones: {
      main: [0.66, 0.12, 250],
      accent: [0.72, 0.165, 45],
      aside: [0.6, 0.06, 255],
      good: [0.66, 0.12, 250],
      poor: [0.72, 0.165, 45],
      strong: [0.95, 0.01, 80],
    },
    series: [
      [0.72, 0.165, 45],
      [0.66, 0.12, 250],
      [0.85, 0.1, 80],
      [0.56, 0.1, 250],
    ],
    tint: 0.2,
  },
  type: 'grotesk',
  numerals: 'arabic',
  corner: 'soft',
  fill: 'solid',
  outline: 0,
  double: false,
  line: { weight: 1.6, form: 'rounded', ends: 'solid', tone: null },
  space: 1,
  heading: 1.15,
  hand: 'crisp',
  depth: 0,
  icons: 'fill',
  colouring: { points: 'each', hierarchy: 'branch', concept: 'one', venn: 'each' },
  treatments: { points: 'side', process: 'solid', venn: 'solid', decision: 'rest', hierarchy: 'solid' },
}
