import { baseKeymap, chainCommands, exitCode, setBlockType, toggleMark } from 'prosemirror-commands'
import { InputRule, inputRules, textblockTypeInputRule, wrappingInputRule } from 'prosemirror-inputrules'
import { keymap } from 'prosemirror-keymap'
import type { MarkType } from 'prosemirror-model'
import { liftListItem, sinkListItem, splitListItem, wrapInList } from 'prosemirror-schema-list'
import type { Command, Plugin } from 'prosemirror-state'
import { goToNextCell } from 'prosemirror-tables'
import { redo, undo } from 'y-prosemirror'
import { manuscriptSchema as s } from './schema'
import { said, type Said } from '@/core/words'

const { nodes, marks } = s as typeof s & { nodes: typeof s.nodes; marks: typeof s.marks }
const node = (name: string) => {
  const found = nodes[name]
  if (!found) throw new Error(`manuscript schema has no node ${name}`)
  return found
}
const mark = (name: string): MarkType => {
  const found = marks[name]
  if (!found) throw new Error(`manuscript schema has no mark ${name}`)
  return found
}

const lineBreak: Command = (state, dispatch) => {
  dispatch?.(state.tr.replaceSelectionWith(node('hard_break').create()).scrollIntoView())
  return true
}

const insertTable: Command = (state, dispatch) => {
  const cell = (type: string) => node(type).createAndFill()
  const row = (type: string) =>
    node('table_row').create(
      null,
      [cell(type), cell(type), cell(type)].flatMap((c) => (c ? [c] : [])),
    )
  dispatch?.(
    state.tr
      .replaceSelectionWith(node('table').create(null, [row('table_header'), row('table_cell'), row('table_cell')]))
      .scrollIntoView(),
  )
  return true
}

/** What a writer can do to the manuscript, by name: for the keys, the line of tools and the command finder alike. */
export const writing = {
  bold: { name: said('Bold'), keys: 'Mod-b', run: toggleMark(mark('strong')) },
  italic: { name: said('Italic'), keys: 'Mod-i', run: toggleMark(mark('em')) },
  paragraph: { name: said('Paragraph'), keys: 'Mod-Alt-0', run: setBlockType(node('paragraph')) },
  heading1: { name: said('Heading 1'), keys: 'Mod-Alt-1', run: setBlockType(node('heading'), { level: 1 }) },
  heading2: { name: said('Heading 2'), keys: 'Mod-Alt-2', run: setBlockType(node('heading'), { level: 2 }) },
  bullets: { name: said('Bulleted list'), keys: 'Mod-Shift-8', run: wrapInList(node('bullet_list')) },
  numbers: { name: said('Numbered list'), keys: 'Mod-Shift-7', run: wrapInList(node('ordered_list')) },
  table: { name: said('Table'), keys: 'Mod-Alt-t', run: insertTable },
  undo: { name: said('Undo'), keys: 'Mod-z', run: undo },
  redo: { name: said('Redo'), keys: 'Mod-y', run: redo },
} as const satisfies Record<string, { name: Said; keys: string; run: Command }>

const emphasis = (pattern: RegExp, type: MarkType): InputRule =>
  new InputRule(pattern, (state, match, start, end) => {
    const words = match[1] ?? ''
    return state.tr.replaceWith(start, end, s.text(words, [type.create()])).removeStoredMark(type)
  })

export const keyPlugins = (): Plugin[] => [
  inputRules({
    rules: [
      textblockTypeInputRule(/^(#{1,3})\s$/, node('heading'), (m) => ({ level: (m[1] ?? '#').length })),
      wrappingInputRule(/^\s*([-*•])\s$/, node('bullet_list')),
      wrappingInputRule(
        /^(\d{1,3})[.)]\s$/,
        node('ordered_list'),
        (m) => ({ order: Number(m[1]) }),
        (m, before) => before.childCount + (before.attrs.order as number) === Number(m[1]),
      ),
      emphasis(/\*\*([^*\s][^*]*)\*\*$/, mark('strong')),
      emphasis(/(?<!\*)\*([^*\s][^*]*)\*$/, mark('em')),
    ],
  }),
  keymap(Object.fromEntries([...Object.values(writing).map((w) => [w.keys, w.run] as const), ['Mod-Shift-z', redo]])),
  keymap({
    Enter: splitListItem(node('list_item')),
    Tab: chainCommands(goToNextCell(1), sinkListItem(node('list_item'))),
    'Shift-Tab': chainCommands(goToNextCell(-1), liftListItem(node('list_item'))),
    'Shift-Enter': chainCommands(exitCode, lineBreak),
  }),
  keymap(baseKeymap),
]
