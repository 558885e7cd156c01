import { answersIn } from '../../text'
import type { LanguagePack } from './pack'

const COUNT = '(?:zwei|drei|vier|fünf|sechs|sieben|mehrere|verschiedene|folgende|\\d+)'
const KIND = '(?:Arten|Typen|Sorten|Gruppen|Formen|Klassen|Kategorien|Teile|Bereiche|Abteilungen|Stufen)'
const MORE = '(?:\\s+(?:eigentlich|nur|im Wesentlichen|wiederum|vor allem|auch|meist|dagegen))*'

export const german: LanguagePack = {
  language: 'de',
  answers: answersIn('de'),
  order: /(?:^|\s)\p{Ll}+(?:en|ern|eln)\P{L}*$|^\p{Lu}\p{Ll}+(?:en|ern|eln)\s+Sie\b/u,
  contrast: /aber|während/,
  cues: [
    {
      gives: 'first',
      pattern: /^(?:zuerst|zunächst|als erstes|am anfang|zu beginn)\b,?\s*/iu,
      examples: ['Zuerst prüfen wir die Leinen'],
      counter: ['Der erste Tag'],
    },
    {
      gives: 'next',
      pattern:
        /^(?:dann|danach|anschließend|daraufhin|als nächstes|nun|jetzt|später|im anschluss)(?![\p{L}])[,:]?\s*/iu,
      examples: ['Danach legt die Fähre ab'],
      counter: ['Dannenberg'],
    },
    {
      gives: 'last',
      pattern: /^(?:zum schluss|zuletzt|schließlich|am ende|abschließend)(?![\p{L}]),?\s*/iu,
      examples: ['Zum Schluss wird abgeschlossen'],
      counter: ['Schlussendlichkeit'],
    },
    {
      gives: 'otherwise',
      pattern: /^(?:sonst|andernfalls|ansonsten|anderenfalls|falls nicht|wenn nicht)(?![\p{L}]),?\s*/iu,
      examples: ['Sonst warten', 'Wenn nicht, warten'],
      counter: ['Wenn nichts geht'],
    },
    {
      gives: 'meanwhile',
      pattern: /^(?:währenddessen|inzwischen|gleichzeitig|unterdessen)(?![\p{L}]),?\s*/iu,
      examples: ['Gleichzeitig läuft die Pumpe'],
      counter: ['Gleichzeitigkeit'],
    },
    {
      gives: 'note',
      pattern: /^(?:hinweis|achtung|wichtig|bitte beachten)\b[:,]?\s*/iu,
      examples: ['Hinweis: Das Deck ist nass'],
      counter: ['Hinweisschild'],
    },
  ],
  conditions: [
    {
      gives: 'yes',
      pattern: /^(?:wenn|falls|sofern|sobald)\s+(?<when>[^,:]+?)\s*[,:]\s*(?:dann\s+|so\s+)?(?<then>.+)$/isu,
      examples: ['Wenn das Deck nass ist, streuen Sie Sand', 'Falls du unter 16 bist: Unterschrift'],
      counter: ['Das Deck ist nass'],
    },
    {
      gives: 'no',
      pattern: /^(?:es sei denn|außer wenn)\s*,?\s*(?<when>[^,:]+?)\s*[,:]\s*(?<then>.+)$/isu,
      examples: ['Außer wenn es stürmt, fahren wir'],
      counter: ['Außerdem fahren wir'],
    },
  ],
  question: (c) =>
    c.replace(/^(?:der|die|das|den|dem|ein|eine)\s+/iu, '').replace(/\s+(?:ist|sind|wird|werden)$/iu, ''),
  hierarchy: [
    {
      gives: 'kind',
      pattern: new RegExp(
        `^es gibt\\s+${COUNT}\\s+(?:\\p{L}+\\s+)?${KIND}\\s+(?:von|an)\\s+(?<parent>[^:]+?)\\s*:\\s*(?<list>.+)$`,
        'isu',
      ),
      examples: ['Es gibt zwei Arten von Schiffen: Autofähren und Boote'],
      counter: ['Es gibt Tee'],
    },
    {
      gives: 'kind',
      pattern: new RegExp(
        `^(?:bei|unter)\\s+(?<parent>.+?)\\s+(?:gibt es|unterscheidet man)\\s+${COUNT}\\s+${KIND}\\s*:\\s*(?<list>.+)$`,
        'isu',
      ),
      examples: ['Bei den Bremsen gibt es zwei Typen: Felgenbremsen und Scheibenbremsen'],
      counter: ['Bei Nebel warten wir'],
    },
    {
      gives: 'kind',
      pattern:
        /^(?<parent>.+?)\s+(?:wird|werden|lässt sich|lassen sich)\s+in\s+(?<list>.+?)\s+(?:eingeteilt|unterteilt|gegliedert|aufgeteilt|einteilen|unterteilen)$/isu,
      examples: ['Käse wird in Frischkäse und Hartkäse eingeteilt'],
      counter: ['Käse wird in Laake gelagert'],
    },
    {
      gives: 'part',
      pattern: new RegExp(`^(?<parent>.+?)\\s+(?:besteht|bestehen)${MORE}\\s+aus\\s+(?<list>.+)$`, 'isu'),
      examples: ['Eine Fähre besteht aus Deck und Brücke'],
      counter: ['Der Kapitän besteht darauf'],
    },
    {
      gives: 'part',
      pattern: new RegExp(
        `^(?<parent>.+?)\\s+(?:umfasst|umfassen|enthält|enthalten|gliedert sich in|gliedern sich in|teilt sich in)${MORE}\\s+(?<list>.+)$`,
        'isu',
      ),
      examples: ['Frischkäse umfasst Quark und Ricotta'],
      counter: ['Er fasst das Seil'],
    },
    {
      gives: 'kind',
      pattern:
        /^(?<list>.+?)\s+sind\s+(?:Beispiele|Arten|Typen|Formen|Sorten|Teile)\s+(?:für|von|der|des)\s+(?<parent>.+)$/isu,
      examples: ['Brie und Camembert sind Beispiele für Weichkäse'],
      counter: ['Brie und Camembert sind weich'],
    },
    {
      gives: 'kind',
      pattern: /^zu\s+(?<parent>.+?)\s+(?:gehören|zählen)\s+(?<list>.+)$/isu,
      examples: ['Zu den Autofähren gehören Teal und Eider'],
      counter: ['Zu Beginn warten wir'],
    },
    {
      gives: 'reports',
      pattern: /^(?<list>.+?)\s+(?:untersteht|unterstehen|berichtet an|berichten an)\s+(?<parent>.+)$/isu,
      examples: ['Der Bootsmann untersteht dem Steuermann'],
      counter: ['Der Bootsmann steht'],
    },
  ],
  compare: [
    {
      gives: 'shared',
      pattern: /^sowohl\s+(?<set>.+?)\s+als auch\s+(?<other>.+?)\s+(?<rest>\p{Ll}\S*\s+.+)$/isu,
      examples: ['Sowohl die Deckscrew als auch die Landcrew tragen eine Weste'],
      counter: ['Die Crew trägt eine Weste'],
    },
    {
      gives: 'shared',
      pattern: /^(?<set>.+?)\s+und\s+(?<other>.+?)\s+haben\s+(?<list>.+?)\s+gemeinsam$/isu,
      examples: ['Tee und Kaffee haben Koffein gemeinsam'],
      counter: ['Tee und Kaffee haben Koffein'],
    },
    {
      gives: 'only',
      pattern: /^nur\s+(?<set>(?:(?:der|die|das)\s+)?\S+)\s+(?<rest>.+)$/isu,
      examples: ['Nur die Landcrew verkauft Fahrkarten'],
      counter: ['Die Crew verkauft nur Karten'],
    },
    {
      gives: 'own',
      pattern: /^(?<set>.+?)\s+(?:hingegen|dagegen|jedoch)\s+(?<rest>.+)$/isu,
      examples: ['Tee hingegen wird getrocknet'],
      counter: ['Tee wird getrocknet'],
    },
  ],
  links:
    /\s(?<verb>verursach(?:t|en)|führ(?:t|en) zu|bewirk(?:t|en)|verhinder(?:t|n)|stör(?:t|en)|senk(?:t|en)|steiger(?:t|n)|erhöh(?:t|en)|verringer(?:t|n)|förder(?:t|n)|verbesser(?:t|n)|verschlechter(?:t|n)|hemm(?:t|en)|schütz(?:t|en)|brauch(?:t|en)|benötig(?:t|en)|häng(?:t|en) ab von|beeinfluss(?:t|en)|erzeug(?:t|en)|ermöglich(?:t|en)|ersetz(?:t|en)|entsteh(?:t|en) aus|gehör(?:t|en) zu)\s/iu,
  articles: /^(?:der|die|das|den|dem|des|ein|eine|einen|einem|einer|eines|jeder|jede|jedes)\s+/iu,
  and: /\s*(?:,|;)\s*(?:und|oder|sowie)?\s*|\s+(?:und|oder|sowie)\s+/iu,
  pointing: /^(?:das|dies|dieses|sie|er|es)$/iu,
  key: (words) =>
    words
      .toLowerCase()
      .split(/\s+/)
      .map((w) => (w.length > 4 ? w.replace(/(?:en|em|er|es|n|e|s)$/u, '') : w))
      .join(' '),
}
