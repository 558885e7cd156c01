'use client'

import { useCallback, useState } from 'react'
import { apply as applied, leavingPlaces, type Edit } from '@/core/document'
import { MAX_NODES, MAX_NODE_TEXT, type Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useNotice } from '../chrome/Notice'
import { useWardrobe } from '../folio/wardrobe'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'
import { standing, theOne, type Editing, type Selection } from './selection'
import { useActions } from './useActions'
import { offerToManuscript } from './offerToManuscript'
import { useEdits, usePicture, type Also } from './useBench'
import { useInsets } from './useInsets'
import { usePictures } from './usePictures'
import type { Passage } from './usePassage'
import type { Ghost, Work } from './work'
import { said } from '@/core/words'

const NOTHING: Selection = []
const TOO_MUCH = said(
  'A figure holds {MAX_NODES} nodes of {MAX_NODE_TEXT} letters each; this would be more. Nothing was changed. Split it into several figures.',
  { MAX_NODES, MAX_NODE_TEXT },
)

/** The figure on the bench with all that one does to it: what is selected, being typed, tried out; and the one way to change it. */
export function useWork(folio: OpenFolio, shared: SharedFigure, passage: Passage | null): Work {
  const { figure } = shared
  const wardrobe = useWardrobe()
  const tell = useNotice()
  const edits = useEdits(folio, figure.id)
  const [draft, setDraft] = useState<Edit | null>(null)
  const [ghost, showGhost] = useState<Ghost | null>(null)
  /** Where all stood before words were typed or an edit was tried out: those leave nothing behind. */
  const [settled, settle] = useState<Scene['places'] | null>(null)
  const tried = ghost?.edit ?? draft
  const shown = useTried(figure, tried, settled)
  const [editing, edit] = useState<Editing | null>(null)
  const typing = draft && !ghost && editing?.part.kind === 'node' ? editing.part.id : null
  const picture = usePicture(shown, wardrobe, typing)
  const stood = picture.scene?.places ?? null
  if (!tried && settled !== stood) settle(stood)
  const [earlier, compare] = useState<Figure | null>(null)
  const { apply: change } = edits
  const apply = useCallback(
    (edit: Edit, also?: Also) => {
      showGhost(null)
      setDraft(null)
      if (!change(settled ? leavingPlaces(figure, edit, settled) : edit, also)) return tell(TOO_MUCH)
      offerToManuscript({ folio, passage, figure, edit, change, tell })
    },
    [change, figure, settled, folio, passage, tell],
  )
  const { selection, select, region, selectRegion } = useSelection(shown)
  const actions = useActions({ figure, scene: picture.scene, apply, selection, region, select, edit, tell })
  const insets = useInsets({ folio, shared, apply, selection, select, edit, tell })
  const pictures = usePictures({ folio: folio.id, figure, apply, select, tell })
  return {
    folio,
    shared,
    figure: shown,
    scene: picture.scene,
    picture,
    selection,
    selected: theOne(selection),
    select,
    region,
    selectRegion,
    editing,
    edit,
    apply,
    draft: setDraft,
    ghost,
    showGhost,
    compared: earlier,
    compare,
    actions,
    insets,
    pictures,
    edits,
    tell,
  }
}

/** Parts, or a region: one is given up for the other. */
function useSelection(figure: Figure) {
  const [chosen, choose] = useState<Selection>(NOTHING)
  const [region, setRegion] = useState<readonly string[] | null>(null)
  const select = useCallback((s: Selection) => {
    choose(s)
    setRegion(null)
  }, [])
  const selectRegion = useCallback((sets: readonly string[] | null) => {
    choose(NOTHING)
    setRegion(sets)
  }, [])
  const stands = figure.kind === 'venn' && region?.every((id) => figure.nodes[id]?.role === 'set')
  return { selection: standing(chosen, figure), select, region: stands ? region : null, selectRegion }
}

/** The figure with an edit that is only tried out. */
function useTried(figure: Figure, edit: Edit | null, places: Scene['places'] | null): Figure {
  const [kept, keep] = useState<{ figure: Figure; edit: Edit; shown: Figure } | null>(null)
  if (!edit) return figure
  if (kept?.figure === figure && kept.edit === edit) return kept.shown
  const shown = applied(figure, places ? leavingPlaces(figure, edit, places) : edit).figure
  keep({ figure, edit, shown })
  return shown
}
