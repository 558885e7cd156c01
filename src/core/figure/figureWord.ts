/** What a numbered figure is called in a document, by language; in English where a language is not named here. */
const words: Readonly<Record<string, string>> = {
  ar: 'شكل',
  bn: 'চিত্র',
  cs: 'Obrázek',
  da: 'Figur',
  de: 'Abbildung',
  el: 'Σχήμα',
  en: 'Figure',
  es: 'Figura',
  fi: 'Kuva',
  fr: 'Figure',
  he: 'איור',
  hi: 'चित्र',
  hu: 'ábra',
  it: 'Figura',
  ja: '図',
  ko: '그림',
  nb: 'Figur',
  nl: 'Figuur',
  no: 'Figur',
  pl: 'Rysunek',
  pt: 'Figura',
  ro: 'Figura',
  ru: 'Рисунок',
  sv: 'Figur',
  ta: 'படம்',
  th: 'รูปที่',
  tr: 'Şekil',
  uk: 'Рисунок',
  zh: '图',
  'zh-hant': '圖',
}

/** “Figure 3”, in the language of the figure. */
export function numberedFigure(language: string, number: number): string {
  const parts = language.toLowerCase().split('-')
  const named = parts.map((_, i) => words[parts.slice(0, parts.length - i).join('-')]).find((w) => w !== undefined)
  return `${named ?? words.en} ${number}`
}
