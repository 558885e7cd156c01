'use client'

import { nanoid } from 'nanoid'
import { useCallback } from 'react'
import type { Figure } from '@/core/figure'
import { useNotice } from '../chrome/Notice'
import { ask } from '../send'
import { addFigure, type OpenFolio } from './useFolio'

/** Takes a figure out of a file that was made here, and puts it into the folio; the server looks at what is in the file. */
export function useOpening(folio: OpenFolio): (file: File) => void {
  const tell = useNotice()
  return useCallback(
    (file) => {
      void ask('POST', '/api/inside', file).then((answer) => {
        if ('problem' in answer) return tell(answer.problem)
        // Checked by the server against the schema of figures.
        const { figure: found } = answer.json as { readonly figure: Figure }
        const figure: Figure = { ...found, id: nanoid(), passage: null }
        const undo = addFigure(folio, figure, null)
        tell(`“${figure.title || 'The figure'}” is in the folio again.`, { label: 'Take it back', run: undo })
      })
    },
    [folio, tell],
  )
}
