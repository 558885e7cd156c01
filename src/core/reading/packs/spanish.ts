import { answersIn } from '../../text'
import type { LanguagePack } from './pack'

const COUNT = '(?:dos|tres|cuatro|cinco|seis|varios|varias|distintos|diferentes|\\d+)'
const KIND = '(?:tipos|clases|formas|grupos|categorías|partes|áreas|niveles|variedades)'

export const spanish: LanguagePack = {
  language: 'es',
  answers: answersIn('es'),
  order: /^(?:no\s+)?\p{L}+(?:ar|er|ir)(?:l[aoe]s?|se)?(?!\p{L})/iu,
  contrast: /pero|mientras/,
  cues: [
    {
      gives: 'first',
      pattern: /^(?:primero|en primer lugar|para empezar|al principio)(?![\p{L}]),?\s*/iu,
      examples: ['Primero se pesa la harina'],
      counter: ['El primer día'],
    },
    {
      gives: 'next',
      pattern:
        /^(?:luego|después(?! de(?![\p{L}]))|a continuación|entonces|más tarde|seguidamente|y luego)(?![\p{L}]),?\s*/iu,
      examples: ['Luego se amasa', 'Después informa'],
      counter: ['Después de comer'],
    },
    {
      gives: 'last',
      pattern: /^(?:por último|finalmente|al final|para terminar)(?![\p{L}]),?\s*/iu,
      examples: ['Por último se hornea'],
      counter: ['El último día'],
    },
    {
      gives: 'otherwise',
      pattern: /^(?:si no|de lo contrario|en caso contrario|de otro modo)\s*[,:]\s*/iu,
      examples: ['Si no, abra la barrera', 'De lo contrario, llame'],
      counter: ['Si no llueve, salga'],
    },
    {
      gives: 'meanwhile',
      pattern: /^(?:mientras tanto|al mismo tiempo|entretanto)(?![\p{L}]),?\s*/iu,
      examples: ['Mientras tanto, hierva el agua'],
      counter: ['Mientras llueve'],
    },
    {
      gives: 'note',
      pattern: /^(?:nota|aviso|importante|atención)\b[:,]\s*/iu,
      examples: ['Nota: la cubierta está mojada'],
      counter: ['Notar algo'],
    },
  ],
  conditions: [
    {
      gives: 'no',
      pattern: /^(?:a menos que|salvo que)\s+(?<when>[^,:]+?)\s*[,:]\s*(?<then>.+)$/isu,
      examples: ['A menos que llueva, salga'],
      counter: ['A menudo llueve'],
    },
    {
      gives: 'yes',
      pattern: /^(?:si|en caso de que|cuando)\s+(?<when>[^,:]+?)\s*[,:]\s*(?:entonces\s+)?(?<then>.+)$/isu,
      examples: ['Si la cubierta está mojada, eche arena', 'Si eres menor de 16: traer la firma'],
      counter: ['Sí, claro'],
    },
  ],
  question: (c) => c.replace(/^(?:el|la|los|las|un|una)\s+/iu, ''),
  hierarchy: [
    {
      gives: 'kind',
      pattern: new RegExp(
        `^(?:hay|existen)\\s+${COUNT}\\s+${KIND}\\s+de\\s+(?<parent>[^:]+?)\\s*:\\s*(?<list>.+)$`,
        'isu',
      ),
      examples: ['Hay dos tipos de barcos: transbordadores y lanchas'],
      counter: ['Hay barcos'],
    },
    {
      gives: 'kind',
      pattern: /^(?<parent>.+?)\s+se\s+(?:dividen?|clasifican?|agrupan?|reparten?)\s+en\s+(?<list>.+)$/isu,
      examples: ['El queso se divide en fresco y curado'],
      counter: ['El queso se corta en la mesa'],
    },
    {
      gives: 'part',
      pattern:
        /^(?<parent>.+?)(?:,\s*a su vez,)?\s+(?:constan?|se componen?|están? formad[oa]s?|están? compuest[oa]s?)(?:\s+\p{L}+mente)?\s+(?:de|por)\s+(?<list>.+)$/isu,
      examples: ['La transmisión, a su vez, consta de pedales y cadena'],
      counter: ['La mesa está de lado'],
    },
    {
      gives: 'part',
      pattern: /^(?<parent>.+?)\s+(?:incluyen?|comprenden?|abarcan?|contienen?)\s+(?<list>.+)$/isu,
      examples: ['El queso fresco incluye el requesón y la ricota'],
      counter: ['El queso es blando'],
    },
    {
      gives: 'kind',
      pattern: /^(?<list>.+?)\s+son\s+(?:ejemplos|tipos|clases|formas|partes)\s+de\s+(?<parent>.+)$/isu,
      examples: ['El brie y el camembert son ejemplos de queso blando'],
      counter: ['El brie y el camembert son blandos'],
    },
    {
      gives: 'reports',
      pattern:
        /^(?<list>.+?)\s+(?:depende|dependen|responde|responden)\s+(?:del|de la|al|a la)\s+(?<parent>(?:capit|jef|direct|gerent|ofici|primer)\p{L}*.*)$/isu,
      examples: ['El contramaestre depende del capitán'],
      counter: ['La salida depende del viento'],
    },
  ],
  compare: [
    {
      gives: 'shared',
      pattern: /^tanto\s+(?<set>.+?)\s+como\s+(?<other>(?:el|la|los|las)\s+(?:de\s+)?\S+)\s+(?<rest>.+)$/isu,
      examples: ['Tanto la tripulación como el capitán llevan chaleco'],
      counter: ['La tripulación lleva chaleco'],
    },
    {
      gives: 'shared',
      pattern: /^(?<set>.+?)\s+y\s+(?<other>.+?)\s+tienen\s+en\s+común\s+(?<list>.+)$/isu,
      examples: ['El té y el café tienen en común la cafeína'],
      counter: ['El té y el café tienen cafeína'],
    },
    {
      gives: 'only',
      pattern:
        /^(?:solo|sólo|solamente|únicamente)\s+(?<set>(?:el|la|los|las)\s+(?:de\s+\S+|\S+(?:\s+de\s+\S+)?))\s+(?<rest>.+)$/isu,
      examples: ['Solo el café se tuesta'],
      counter: ['El café solo'],
    },
    {
      gives: 'own',
      pattern: /^(?:en cambio|por el contrario),?\s+(?<set>(?:el|la|los|las)\s+\S+)\s+(?<rest>.+)$/isu,
      examples: ['En cambio, el té se seca'],
      counter: ['El té se seca'],
    },
  ],
  links:
    /\s(?<verb>causan?|provocan?|generan?|producen?|evitan?|impiden?|perturban?|reducen?|aumentan?|mejoran?|empeoran?|dañan?|protegen?|necesitan?|dependen? de|llevan? a|conducen? a|favorecen?|afectan? a|influyen? en|controlan?|sustituyen?)\s/iu,
  articles: /^(?:el|la|los|las|un|una|unos|unas|cada)\s+/iu,
  and: /\s*(?:,|;)\s*(?:y|e|o)?\s+|\s+(?:y|e|o)\s+/iu,
  pointing: /^(?:eso|esto|ello|este|esta)$/iu,
  key: (words) =>
    words
      .toLowerCase()
      .split(/\s+/)
      .map((w) => (w.length > 3 ? w.replace(/(?:es|s)$/u, '') : w))
      .join(' '),
}
