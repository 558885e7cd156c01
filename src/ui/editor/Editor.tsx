'use client'

import { useEffect, useImperativeHandle, useRef, type Ref } from 'react'
import { EditorState, Plugin, PluginKey } from 'prosemirror-state'
import { tableEditing } from 'prosemirror-tables'
import { Decoration, DecorationSet, EditorView } from 'prosemirror-view'
import { yCursorPlugin, ySyncPlugin, yUndoPlugin } from 'y-prosemirror'
import type * as Y from 'yjs'
import type { Span } from '@/core/text'
import { pieceAt, type Projection } from '@/manuscript'
import type { Carets } from '../together/carets'
import { keyPlugins, writing } from './keys'
import { pastePlugin } from './paste'
import { offsetAt, positionsOf, projectDoc, spanBetween } from './projectDoc'
import { manuscriptSchema } from './schema'
import { useWords } from '../words/words'

export type EditorHandle = {
  readonly run: (name: keyof typeof writing) => void
  /** Distance of a text offset from the top of the editor, in px; null when it is not shown. */
  readonly topOf: (offset: number) => number | null
  /** The marked text, or the block (with its list) that the caret stands in. */
  readonly passage: () => Span | null
  /** Brings a text offset into sight. */
  readonly show: (offset: number) => void
  readonly focus: () => void
}
export type Marks = {
  readonly read: Span | null
  readonly lit: readonly Span[]
  /** Where open remarks stand. */
  readonly remarked: readonly Span[]
}

type Props = {
  readonly fragment: Y.XmlFragment
  readonly marks: Marks
  /** Where others write, as the caret plugin asks for it. */
  readonly carets: Carets
  /** Whether it may be written in; else it is read, and marked. */
  readonly editable: boolean
  readonly handle: Ref<EditorHandle>
  readonly onText: (p: Projection<number>) => void
  readonly onMark: (span: Span | null) => void
  readonly onPoint: (offset: number | null) => void
  readonly onTooLong: (length: number, limit: number) => void
}

const marksKey = new PluginKey<{ marks: Marks; shown: DecorationSet }>('marks')

const marksPlugin = () =>
  new Plugin({
    key: marksKey,
    state: {
      init: () => ({ marks: { read: null, lit: [], remarked: [] } as Marks, shown: DecorationSet.empty }),
      apply: (tr, old, _, state) => {
        const given = tr.getMeta(marksKey) as Marks | undefined
        if (!given) return tr.docChanged ? { ...old, shown: old.shown.map(tr.mapping, tr.doc) } : old
        const p = projectDoc(state.doc)
        const show = (span: Span, name: string) => {
          const at = positionsOf(p, span)
          return at ? [Decoration.inline(at.from, at.to, { class: name })] : []
        }
        const shown = [
          ...(given.read ? show(given.read, 'passage-read') : []),
          ...given.remarked.flatMap((s) => show(s, 'words-remarked')),
          ...given.lit.flatMap((s) => show(s, 'words-lit')),
        ]
        return { marks: given, shown: DecorationSet.create(state.doc, shown) }
      },
    },
    props: { decorations: (state) => marksKey.getState(state)?.shown },
  })

/** The caret of somebody else, with their name. */
function caretOf({ name, color }: { readonly name: string; readonly color: string }): HTMLElement {
  const caret = document.createElement('span')
  caret.className = 'others-caret'
  caret.style.borderColor = color
  const label = document.createElement('span')
  label.style.background = color
  label.textContent = name
  caret.append('\u2060', label, '\u2060')
  return caret
}

const hintPlugin = (hint: string) =>
  new Plugin({
    props: {
      decorations: (state) => {
        const first = state.doc.firstChild
        if (state.doc.childCount !== 1 || !first?.isTextblock || first.content.size > 0) return null
        return DecorationSet.create(state.doc, [
          Decoration.node(0, first.nodeSize, {
            class: 'is-empty',
            'data-hint': hint,
          }),
        ])
      },
    },
  })

/** The manuscript: a rich-text editor on the shared document. */
export function Editor({ fragment, marks, carets, editable, handle, onText, onMark, onPoint, onTooLong }: Props) {
  const t = useWords()
  const mount = useRef<HTMLDivElement>(null)
  const view = useRef<EditorView | null>(null)
  const calls = useRef({ onText, onMark, onPoint, onTooLong, editable })
  useEffect(() => {
    calls.current = { onText, onMark, onPoint, onTooLong, editable }
  })

  useEffect(() => {
    if (!mount.current) return
    let projection: Projection<number> | null = null
    const editor = new EditorView(mount.current, {
      state: EditorState.create({
        schema: manuscriptSchema,
        plugins: [
          ySyncPlugin(fragment),
          yCursorPlugin(carets as never, { cursorBuilder: caretOf }),
          yUndoPlugin(),
          ...keyPlugins(),
          pastePlugin((n, l) => calls.current.onTooLong(n, l)),
          tableEditing(),
          marksPlugin(),
          hintPlugin(t('Write or paste here: steps, a list, a page of a handbook …')),
        ],
      }),
      editable: () => calls.current.editable,
      attributes: () => ({
        class: 'manuscript',
        'data-key-place': 'manuscript',
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': t('Manuscript'),
        'aria-readonly': String(!calls.current.editable),
        tabindex: '0',
        spellcheck: 'true',
      }),
      // The shared document speaks up while the view is still being made, so the view is taken from `this`.
      dispatchTransaction(this: EditorView, tr) {
        this.updateState(this.state.apply(tr))
        if (tr.docChanged || !projection) {
          projection = projectDoc(this.state.doc)
          calls.current.onText(projection)
        }
        if (tr.selectionSet && (this.hasFocus() || !this.editable)) {
          const { from, to } = this.state.selection
          calls.current.onMark(to > from ? spanBetween(projection, from, to) : null)
        }
      },
      handleDOMEvents: {
        mousemove: (v, event) => {
          const at = v.posAtCoords({ left: event.clientX, top: event.clientY })
          calls.current.onPoint(at && at.inside >= 0 && projection ? offsetAt(projection, at.pos) : null)
        },
        mouseleave: () => calls.current.onPoint(null),
      },
    })
    view.current = editor
    calls.current.onText(projectDoc(editor.state.doc))
    return () => {
      view.current = null
      editor.destroy()
    }
  }, [fragment, carets, t])

  useEffect(() => {
    const v = view.current
    // Not said to be outside of the history: that would end the step that is being typed.
    if (v) v.dispatch(v.state.tr.setMeta(marksKey, marks))
  }, [marks])

  useImperativeHandle(
    handle,
    () => ({
      run: (name) => {
        const v = view.current
        if (!v) return
        v.focus()
        writing[name].run(v.state, v.dispatch)
      },
      topOf: (offset) => {
        const v = view.current
        const at = v && pieceAt(projectDoc(v.state.doc), offset, 'after')
        return v && at ? v.coordsAtPos(at.piece.place + at.into).top - v.dom.getBoundingClientRect().top : null
      },
      passage: () => (view.current ? passageAtCaret(view.current) : null),
      show: (offset) => {
        const v = view.current
        const at = v && pieceAt(projectDoc(v.state.doc), offset, 'after')
        if (!v || !at) return
        const { node } = v.domAtPos(at.piece.place + at.into)
        const shown = node instanceof Element ? node : node.parentElement
        shown?.scrollIntoView({ block: 'center' })
      },
      focus: () => view.current?.focus(),
    }),
    [],
  )

  return <div ref={mount} />
}

function passageAtCaret(v: EditorView): Span | null {
  const { from, to, $from } = v.state.selection
  const p = projectDoc(v.state.doc)
  if (to > from) return spanBetween(p, from, to)
  if ($from.depth === 0) return null
  return spanBetween(p, $from.before(1), $from.after(1))
}
