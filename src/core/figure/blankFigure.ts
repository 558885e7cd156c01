import type { Figure } from './figure'

/** A figure with nothing in it yet, read from no passage: to be made by rows, by hand, by typing. */
export const blankFigure = (id: string, title: string): Figure => ({
  id,
  kind: 'process',
  title,
  language: 'en',
  nodes: {},
  links: {},
  arrangement: '',
  frame: 'slide-16x9',
  houseStyle: '',
  dress: {},
  passage: null,
  wasRead: { text: '', nodes: {}, links: {} },
})
