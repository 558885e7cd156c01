/** Connectives as data: what a phrase at the start of a clause (or at a boundary inside it) says about order and
 *  condition. Every row carries examples that must match and counter-examples that must not; a test runs them all. */

export type CueName =
  | 'first'
  | 'next'
  | 'last'
  | 'otherwise'
  | 'answer-yes'
  | 'answer-no'
  | 'if'
  | 'unless'
  | 'when'
  | 'before'
  | 'after'
  | 'repeat-until'
  | 'go-to-step'
  | 'go-to-start'
  | 'stop'
  | 'note'
  | 'meanwhile'
  | 'together'
  | 'times'

export type Cue = {
  readonly name: CueName
  /** Matched, ignoring case, at the start of a clause. */
  readonly pattern: RegExp
  /** Why it reads so, for the person. */
  readonly because: string
  readonly examples: readonly string[]
  readonly counter: readonly string[]
}

export const cues: readonly Cue[] = [
  {
    name: 'note',
    pattern: /^(?:please )?(?:note(?: that|:)|nb\b|remember(?: that|:)|important:|warning:|caution:|tip:)/i,
    because: 'a remark, not a step',
    examples: ['Note that the ramp is steep', 'Warning: the deck is wet'],
    counter: ['Note the time'],
  },
  {
    name: 'answer-no',
    pattern:
      /^(?:no(?=\s?[:–—-])|if (?:not|no|it does(?: not|n't)|it is(?: not|n't)|they (?:do|are)(?: not|n't))(?=[,:]|$| then\b)|(?:if|where|when) (?:(?:there|that) (?:is|are)(?: not|n't| none)|(?:you|we|he|she|it|they) (?:do|does|is|are|can)(?: not|n't))(?=[,:]|$)|if not(?= (?:we|you|they|he|she|it|the|a|an|one)\b(?! [^,.]*,))|(?:those|the ones|anyone|everyone|people) (?:who|that) (?:do|does|are|is|can)(?: not|n't)\b)\s?[,:–—-]?/i,
    because: 'the other answer',
    examples: [
      'If not, hold the sailing',
      'If it does not, wait',
      'If no: close it',
      'No: a single',
      'If not we wait',
      'Where there is none, we wait',
      "Those who don't get a letter",
    ],
    counter: ['If nobody answers, call again', 'If it is not clear, wait'],
  },
  {
    name: 'answer-yes',
    pattern:
      /^(?:yes(?=\s?[:–—-])|if (?:yes|so|it does|it is|it was|they (?:do|are|were))(?=[,:]|$)|(?:if|where|when) (?:there|that|this|you|we|he|she|it|they) (?:is|are|do|does|can)(?: so| one| the case)?(?=[,:]|$)|in (?:that|this) case)\s?[,:–—-]?/i,
    because: 'the answer yes',
    examples: ['If so, sail', 'Where there is, sail', 'In that case, wait', 'Yes: sail'],
    counter: ['If it is clear, sail'],
  },
  {
    name: 'otherwise',
    pattern:
      /^(?:otherwise|or else|else|in all other cases|in any other case|everything else|failing that|(?:anything|everything|anyone) (?:else|bigger|larger|smaller|more|less|longer|shorter|heavier|higher|lower|later|older)|the rest)\b(?! of),?/i,
    because: 'otherwise',
    examples: ['Otherwise, close the bow door', 'Or else wait', 'Anything bigger, call the bridge'],
    counter: ['Elsewhere the rule holds', 'The rest of the crew waits'],
  },
  {
    name: 'if',
    pattern:
      /^(?:(?:and|but|or|then) )?(?:only )?(?:if|in case|provided(?: that)?|should(?= (?:the|a|an|any|it|they|you|there|this|that|[a-z]+s)\b))(?= )/i,
    because: 'a condition',
    examples: [
      'If the tide is low, wait',
      'In case the radio fails, use flags',
      'Should the ramp stick, call the engineer',
    ],
    counter: ['Should we sail', 'In cases like this'],
  },
  {
    name: 'unless',
    pattern: /^(?:(?:and|but) )?unless\b/i,
    because: 'unless',
    examples: ['Unless the wind drops, stay'],
    counter: ['Unlashed cars stay'],
  },
  {
    name: 'repeat-until',
    pattern:
      /^(?:(?:and|then) )?(?:repeat(?: this| it| the (?:step|steps|process))?|keep (?:doing this|going)|do this|continue|carry on) until\b/i,
    because: 'repeated until',
    examples: ['Repeat until the line is tight', 'Repeat this until nobody is left'],
    counter: ['Repeat the announcement', 'Wait until the light is green'],
  },
  {
    name: 'go-to-step',
    pattern:
      /^(?:(?:and|then) )?(?:(?:please )?(?:go (?:back |on )?to|return to|continue (?:with|at|from)|skip to|proceed to)(?: (?:step|question|point|no\.))? (\d+)\b(?! ?(?:%|metres|minutes|am|pm))|(?:repeat|start again (?:at|from)|continue from) (?:from )?steps? (\d+))/i,
    because: 'goes to a numbered step',
    examples: ['Go back to step 2', 'Repeat step 3', 'Return to step 1 and wait', 'go to 3'],
    counter: ['Go back to the ramp'],
  },
  {
    name: 'go-to-start',
    pattern:
      /^(?:(?:and|then) )?(?:start (?:again|over)|begin again|go back to the (?:beginning|start)|repeat (?:everything|from the (?:beginning|start)))\b/i,
    because: 'starts again',
    examples: ['Start again', 'Go back to the beginning'],
    counter: ['Start the engine again'],
  },
  {
    name: 'times',
    pattern:
      /^(?:(?:and|then) )?(?:do (?:this|it|that)|repeat(?: (?:this|it|that))?) ((?:another )?(?:two|three|four|five|six|once|twice|\d+)(?: (?:more|further))?(?: times?)?(?: more)?)\b/i,
    because: 'done several times',
    examples: ['Do this three more times', 'Repeat twice', 'repeat this 3 times'],
    counter: ['Repeat step 3', 'Do this first'],
  },
  {
    name: 'together',
    pattern: /^(?:and |(?:and )?then,? )?(?:at the same time|in parallel|side by side)\b,?/i,
    because: 'at the same time',
    examples: ['At the same time the mate calls', 'Then, in parallel, the purser counts'],
    counter: ['At the same place', 'Then the mate calls'],
  },
  {
    name: 'meanwhile',
    pattern: /^(?:and )?(?:meanwhile|in the meantime|while (?:this|that) (?:happens|runs|is going on))\b,?/i,
    because: 'at the same time',
    examples: ['Meanwhile, heat the galley'],
    counter: ['While at sea, wear it'],
  },
  {
    name: 'stop',
    pattern:
      /^(?:(?:and|then) )?(?:the (?:process|procedure|check|task|job) (?:ends|is (?:over|finished|complete|done))|stop here|you are done|that is (?:all|it)|end of (?:procedure|process))\b/i,
    because: 'the end',
    examples: ['The process ends', 'Stop here'],
    counter: ['Stop the engine'],
  },
  {
    name: 'first',
    pattern:
      /^(?:first(?:ly)?(?: of all)?|to (?:begin|start)(?: with)?|initially)(?:[,:]| (?!aid|mate|class|officer|deck|floor|aider))/i,
    because: 'the first step',
    examples: ['First, check the ramp', 'First of all, count', 'To begin with, look'],
    counter: ['First aid kits are red', 'First mate checks the ramp'],
  },
  {
    name: 'last',
    pattern: /^(?:finally|lastly|last of all|in the end|at the end|to finish)\b,?/i,
    because: 'the last step',
    examples: ['Finally, sign', 'Lastly close it'],
    counter: ['Last year the rule changed'],
  },
  {
    name: 'next',
    pattern:
      /^(?:and )?(?:then|next(?=,| (?:the|a|an|you|we|check|[a-z]+ the)\b)|after (?:that|this|which)|afterwards|subsequently|secondly|thirdly|(?:second|third|fourth|fifth|sixth)[,:]|now(?=,| [a-z])|later|following (?:this|that)|some time later)\b,?/i,
    because: 'what comes next',
    examples: ['Then close the door', 'After that, wave', 'Next, lift the ramp'],
    counter: ['Next door is the office', 'After the check, sail'],
  },
  {
    name: 'before',
    pattern: /^before(?= )/i,
    because: 'before',
    examples: ['Before you load, check the ramp', 'Before loading, check the ramp'],
    counter: ['Beforehand, call'],
  },
  {
    name: 'after',
    pattern:
      /^(?:after|once|as soon as|having|upon|on(?= [a-z]+ing\b))(?= (?!again|more|a (?:day|week|month|year|shift)|an hour|per\b))/i,
    because: 'after',
    examples: ['Once the cars are in, close the door', 'After loading, close the door', 'After the meeting, sign'],
    counter: ['Once a day, check the ramp', 'Once again, count'],
  },
  {
    name: 'when',
    pattern: /^(?:(?:and|but) )?(?:when(?:ever)?|where|while|as long as)(?= )/i,
    because: 'when',
    examples: ['When the light is green, go'],
    counter: ['Whenceforth we sail'],
  },
]

export const cueOf = (clause: string): { cue: Cue; length: number; match: RegExpExecArray } | null => {
  for (const cue of cues) {
    const match = cue.pattern.exec(clause)
    if (match) return { cue, length: match[0].length, match }
  }
  return null
}
