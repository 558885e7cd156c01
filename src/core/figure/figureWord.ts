/** What a numbered figure is called in a document, and a list of them, by language; in English where a language is not named. */
const words: Readonly<Record<string, readonly [one: string, many: string]>> = {
  ar: ['شكل', 'الأشكال'],
  bn: ['চিত্র', 'চিত্রসমূহ'],
  cs: ['Obrázek', 'Obrázky'],
  da: ['Figur', 'Figurer'],
  de: ['Abbildung', 'Abbildungen'],
  el: ['Σχήμα', 'Σχήματα'],
  en: ['Figure', 'Figures'],
  es: ['Figura', 'Figuras'],
  fi: ['Kuva', 'Kuvat'],
  fr: ['Figure', 'Figures'],
  he: ['איור', 'איורים'],
  hi: ['चित्र', 'चित्र'],
  hu: ['ábra', 'Ábrák'],
  it: ['Figura', 'Figure'],
  ja: ['図', '図一覧'],
  ko: ['그림', '그림 목록'],
  nb: ['Figur', 'Figurer'],
  nl: ['Figuur', 'Figuren'],
  no: ['Figur', 'Figurer'],
  pl: ['Rysunek', 'Rysunki'],
  pt: ['Figura', 'Figuras'],
  ro: ['Figura', 'Figuri'],
  ru: ['Рисунок', 'Рисунки'],
  sv: ['Figur', 'Figurer'],
  ta: ['படம்', 'படங்கள்'],
  th: ['รูปที่', 'รายการรูป'],
  tr: ['Şekil', 'Şekiller'],
  uk: ['Рисунок', 'Рисунки'],
  zh: ['图', '图目录'],
  'zh-hant': ['圖', '圖目錄'],
}

const wordsOf = (language: string): readonly [one: string, many: string] => {
  const parts = language.toLowerCase().split('-')
  const named = parts.map((_, i) => words[parts.slice(0, parts.length - i).join('-')]).find((w) => w !== undefined)
  return named ?? ['Figure', 'Figures']
}

/** “Figure 3”, in the language of the figure. */
export const numberedFigure = (language: string, number: number): string => `${wordsOf(language)[0]} ${number}`

/** What a figure may be called where a text speaks of it by its number. */
export const figureNumberWords = (language: string): readonly string[] =>
  language.startsWith('de') ? ['Abbildung', 'Abb\\.', 'Bild'] : [wordsOf(language)[0], 'Figure', 'Fig\\.']

/** What stands above a list of figures. */
export const figuresWord = (language: string): string => wordsOf(language)[1]
