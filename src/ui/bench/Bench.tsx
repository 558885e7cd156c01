'use client'

import { nanoid } from 'nanoid'
import { useCallback, useMemo, useState } from 'react'
import { leavingPlaces, type Edit } from '@/core/document'
import { kinds, placesOf } from '@/core/figure'
import { compute } from '@/workers/client'
import { useCommands } from '../chrome/commands'
import type { Command } from '../chrome/keyPlaces'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import { TopLine } from '../chrome/TopLine'
import { SyncSentence, SyncStatus } from '../folio/SyncStatus'
import { addFigure, useFigures, useFolio, useTitle, type OpenFolio, type SharedFigure } from '../folio/useFolio'
import { ArrangementStrip } from './ArrangementStrip'
import { Canvas } from './Canvas'
import { DeliverPanel } from './DeliverPanel'
import { Inspector } from './Inspector'
import { OutlinePanel } from './OutlinePanel'
import type { Selected } from './selection'
import { useActions } from './useActions'
import { useEdits, usePicture } from './useBench'

export function Bench({ folioId, figureId, title }: { folioId: string; figureId: string; title: string }) {
  const { folio, sync, loaded } = useFolio(folioId)
  const figures = useFigures(folio)
  const shownTitle = useTitle(folio) || title
  const index = figures.findIndex((f) => f.figure.id === figureId)
  const shared = figures[index]
  const [delivering, setDelivering] = useState(false)
  const home = `/folio/${folioId}`
  return (
    <>
      <TopLine
        crumbs={[
          { text: 'Shelf', href: '/' },
          { text: shownTitle, href: home },
          { text: shared?.figure.title || 'Figure', href: null },
        ]}
        status={<SyncStatus sync={sync} />}
        stages={[
          { name: 'Read', href: home, current: false },
          { name: 'Shape', onClick: () => setDelivering(false), current: !delivering },
          { name: 'Deliver', onClick: () => setDelivering(true), current: delivering },
        ]}
      />
      <SyncSentence sync={sync} />
      {folio && shared ? (
        <Work folio={folio} shared={shared} delivering={delivering} onDeliver={() => setDelivering(true)} />
      ) : (
        <p className="p-10 text-quiet">
          {!loaded
            ? 'Opening the figure …'
            : 'This figure is not in the folio any more. Go back to the folio; what was removed there can be taken back there.'}
        </p>
      )}
    </>
  )
}

/** A list that opens has nothing of its own to take back. */
const UNDOING = ['page', 'choice'] as const

function Work({
  folio,
  shared,
  delivering,
  onDeliver,
}: {
  folio: OpenFolio
  shared: SharedFigure
  delivering: boolean
  onDeliver: () => void
}) {
  const { figure } = shared
  const { theme } = useTheme()
  const tell = useNotice()
  const edits = useEdits(folio, figure.id)
  const picture = usePicture(figure, theme)
  const stood = picture.scene?.places
  const { apply: change } = edits
  const apply = useCallback(
    (edit: Edit) => change(stood ? leavingPlaces(figure, edit, stood) : edit),
    [change, figure, stood],
  )
  const [chosen, setChosen] = useState<Selected>(null)
  const [editing, setEditing] = useState<(NonNullable<Selected> & { readonly where: 'outline' | 'canvas' }) | null>(
    null,
  )
  const editOutline = useCallback((s: Selected) => setEditing(s && { ...s, where: 'outline' }), [])
  const editCanvas = useCallback((s: Selected) => setEditing(s && { ...s, where: 'canvas' }), [])
  const selected =
    chosen && (chosen.kind === 'node' ? figure.nodes[chosen.id] : figure.links[chosen.id]) ? chosen : null
  const actions = useActions(figure, apply, selected, setChosen, editCanvas, tell)

  const onContinue = useCallback(() => {
    compute()
      .continued(figure)
      .then(
        (parts) => {
          if (!parts) return tell('No cut gives parts whose words are large enough. Another frame will help.')
          const undo = parts.map((p) => addFigure(folio, { ...p, id: nanoid() }, shared.anchor))
          tell(`${parts.length} continued figures stand beside it in the folio.`, {
            label: 'Take them back',
            run: () => undo.forEach((u) => u()),
          })
        },
        (error: unknown) => tell(`It could not be cut: ${String(error)}`),
      )
  }, [figure, folio, shared.anchor, tell])

  const commands = useMemo<Command[]>(() => {
    const node = selected?.kind === 'node' ? selected.id : null
    return [
      { name: 'Undo', keys: 'Mod+Z', at: UNDOING, run: edits.undo },
      { name: 'Redo', keys: 'Mod+Shift+Z', at: UNDOING, run: edits.redo },
      { name: 'Redo (other keys)', keys: 'Mod+Y', at: UNDOING, run: edits.redo },
      {
        name: `Add ${/^[aeiou]/.test(kinds[figure.kind].noun) ? 'an' : 'a'} ${kinds[figure.kind].noun}`,
        keys: 'Alt+S',
        run: actions.addStep,
      },
      ...(figure.kind === 'process'
        ? [{ name: 'Add a question with its branches', keys: 'Alt+Q', run: actions.addQuestion }]
        : []),
      ...(selected ? [{ name: 'Remove what is selected', keys: 'Delete', run: actions.removeSelected }] : []),
      ...(node
        ? [
            { name: 'Change the words', keys: 'F2', run: () => editCanvas(selected) },
            { name: 'Move up', keys: 'Alt+ArrowUp', run: () => actions.shift(-1) },
            { name: 'Move down', keys: 'Alt+ArrowDown', run: () => actions.shift(1) },
            { name: 'Indent', keys: 'Alt+ArrowRight', run: actions.indent },
            { name: 'Outdent', keys: 'Alt+ArrowLeft', run: actions.outdent },
          ]
        : []),
      ...(placesOf(figure) ? [{ name: 'Tidy: lay the figure out afresh', keys: 'Alt+T', run: actions.tidy }] : []),
      { name: 'Deliver: download or copy', keys: 'Alt+D', run: onDeliver },
    ]
  }, [actions, edits, editCanvas, figure, onDeliver, selected])
  useCommands(commands)

  return (
    <main
      className="grid min-h-0 flex-1 grid-cols-[292px_minmax(0,1fr)_250px] grid-rows-[minmax(0,1fr)_auto]"
      aria-label="Bench"
    >
      <h1 className="sr-only">{figure.title || 'Figure'} on the bench</h1>
      <OutlinePanel
        figure={figure}
        selected={selected}
        editing={editing?.where === 'outline' ? editing : null}
        onSelect={setChosen}
        onEdit={editOutline}
        apply={apply}
        actions={actions}
        edits={edits}
        tell={tell}
      />
      <Canvas
        figure={figure}
        picture={picture}
        selected={selected}
        editing={editing?.where === 'canvas' ? editing : null}
        onSelect={setChosen}
        onEdit={editCanvas}
        apply={apply}
        onContinue={kinds[figure.kind].continues ? onContinue : null}
      />
      {delivering ? (
        <DeliverPanel folio={folio} figure={figure} scene={picture.scene} />
      ) : (
        <Inspector figure={figure} scene={picture.scene} selected={selected} apply={apply} actions={actions} />
      )}
      <ArrangementStrip figure={figure} scene={picture.scene} apply={apply} onTidy={actions.tidy} />
    </main>
  )
}
