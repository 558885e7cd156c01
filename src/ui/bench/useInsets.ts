'use client'

import { nanoid } from 'nanoid'
import { useRouter } from 'next/navigation'
import { useMemo } from 'react'
import { dissolved, holdersOf, insetsIn, intoInset } from '@/core/document'
import { blankFigure, type Figure } from '@/core/figure'
import type { Span } from '@/core/text'
import { anchorOf, projectShared, type Anchor } from '@/manuscript'
import { compute } from '@/workers/client'
import { holderOf } from '../folio/holders'
import { addFigure, figuresIn, type OpenFolio, type SharedFigure } from '../folio/useFolio'
import { newId } from './newId'
import { nodesIn, type Editing, type Selection } from './selection'
import type { Also, Apply } from './useBench'
import type { Notify } from '../chrome/Notice'
import { said } from '@/core/words'

const TOO_MUCH = said('Select some of the nodes, but not all of them, and no set: they become a figure in one node.')
const IN_THE_FLOW = said(
  'What it held is in the flow again. The figure itself stays in the folio; it can be removed there.',
)

type Hands = {
  readonly apply: Apply
  readonly tell: Notify
  readonly folio: OpenFolio
  readonly shared: SharedFigure
  readonly selection: Selection
  readonly select: (s: Selection) => void
  readonly edit: (e: Editing | null) => void
}
export type Insets = ReturnType<typeof useInsets>

/** A figure that comes into the folio with an edit, and goes again when the edit is taken back. */
function coming(folio: OpenFolio, figure: Figure, anchor: Anchor | null): Also {
  const put: Also = () => {
    const takeOut = addFigure(folio, figure, anchor)
    return () => {
      takeOut()
      return put
    }
  }
  return put
}

/** Asked again and again; most figures have none, and for those no other figure need be read. */
const within = (folio: OpenFolio, figure: Figure): readonly Figure[] =>
  Object.values(figure.nodes).some((n) => n.inset !== undefined)
    ? insetsIn(
        figuresIn(folio).map((s) => s.figure),
        figure,
      )
    : []

/** Figures inside nodes: made of what is selected, of a passage, of nothing yet, or chosen from the folio; opened in place,
 *  and dissolved into the flow again. */
export function useInsets({ folio, shared, apply, selection, select, edit, tell }: Hands) {
  const router = useRouter()
  const { figure, anchor } = shared
  return useMemo(() => {
    const nodes = nodesIn(selection)
    const [node] = nodes
    const all = () => figuresIn(folio).map((s) => s.figure)
    const open = (id: string) => router.push(`/folio/${folio.id}/figure/${id}`)
    const hold = (id: string | null, also?: Also) => {
      if (node !== undefined) apply({ do: 'setNode', id: node, set: { inset: id } }, also)
    }
    return {
      open,
      /** The figures inside this one. */
      within: () => within(folio, figure),
      /** To the figure that holds this one. */
      back: () => {
        const holder = holderOf(all(), figure.id)
        if (holder) open(holder.figure.id)
        else tell(said('No other figure holds this one.'))
      },
      /** What is selected becomes a figure of its own, in one node. */
      make: () => {
        const made = { figure: nanoid(), node: newId() }
        const result = intoInset(figure, nodes, made, figure.nodes[node ?? '']?.text ?? '')
        if (!result) return tell(TOO_MUCH)
        apply(result.edit, coming(folio, result.inset, anchor))
        select([{ kind: 'node', id: made.node }])
        edit({ part: { kind: 'node', id: made.node }, where: 'stage' })
      },
      hold,
      /** The selected node holds what a passage of the manuscript reads as. */
      readInto: (text: string, span: Span) => {
        const place = anchorOf(projectShared(folio.manuscript), span)
        compute()
          .read(text.slice(span.start, span.end))
          .then(
            ({ readings: [first] }) => {
              if (!first) return tell(said('This passage reads as no figure. Mark another one.'))
              const inset = { ...first.figure, id: nanoid() }
              hold(inset.id, coming(folio, inset, place))
            },
            (error: unknown) => tell(said('The passage could not be read: {error}', { error: String(error) })),
          )
      },
      /** The selected node holds a figure that is still to be made. */
      begin: () => {
        const inset = blankFigure(nanoid(), '')
        hold(inset.id, coming(folio, inset, anchor))
      },
      dissolve: () => {
        const inset = all().find((f) => f.id === figure.nodes[node ?? '']?.inset)
        if (!inset || node === undefined) return
        apply(dissolved(figure, node, inset, newId))
        select([])
        tell(IN_THE_FLOW)
      },
      /** The figures that the selected node could hold: none that this one is inside of. */
      choices: () => {
        const around = holdersOf(all(), figure.id)
        return all().filter((f) => !around.includes(f.id))
      },
    }
  }, [selection, folio, router, apply, figure, tell, anchor, select, edit])
}
