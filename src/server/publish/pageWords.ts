/** What a published page says of itself, by language; in English, and said to be, where a language is not named here. */
export type PageWords = {
  /** The language these words are in. */
  readonly language: string
  readonly dark: string
  readonly figureLanguage: string
  readonly larger: string
  readonly smaller: string
  readonly whole: string
  readonly inWords: string
}

type Row = readonly [
  dark: string,
  figureLanguage: string,
  larger: string,
  smaller: string,
  whole: string,
  inWords: string,
]
const rows: Readonly<Record<string, Row>> = {
  da: ['Mørk', 'Figurernes sprog', 'Større', 'Mindre', 'Hele', 'I ord'],
  de: ['Dunkel', 'Sprache der Abbildungen', 'Größer', 'Kleiner', 'Ganz', 'In Worten'],
  en: ['Dark', 'Language of the figures', 'Larger', 'Smaller', 'Whole', 'In words'],
  es: ['Oscuro', 'Idioma de las figuras', 'Más grande', 'Más pequeño', 'Entera', 'En palabras'],
  fr: ['Sombre', 'Langue des figures', 'Plus grand', 'Plus petit', 'Entière', 'En mots'],
  it: ['Scuro', 'Lingua delle figure', 'Più grande', 'Più piccolo', 'Intera', 'A parole'],
  nl: ['Donker', 'Taal van de figuren', 'Groter', 'Kleiner', 'Geheel', 'In woorden'],
  pl: ['Ciemny', 'Język rysunków', 'Większy', 'Mniejszy', 'Cały', 'Słowami'],
  pt: ['Escuro', 'Idioma das figuras', 'Maior', 'Menor', 'Inteira', 'Em palavras'],
  sv: ['Mörk', 'Figurernas språk', 'Större', 'Mindre', 'Hela', 'I ord'],
}

export function pageWords(tag: string): PageWords {
  const short = tag.toLowerCase().split('-')[0] ?? 'en'
  const language = short in rows ? short : 'en'
  const [dark, figureLanguage, larger, smaller, whole, inWords] = rows[language] as Row
  return { language, dark, figureLanguage, larger, smaller, whole, inWords }
}
