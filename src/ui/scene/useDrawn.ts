'use client'

import { useEffect, useState } from 'react'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { compute } from '@/workers/client'
import { useWardrobe } from '../folio/wardrobe'

/** The picture of a figure in what its folio is dressed in, or what kept it from being drawn. */
export function useDrawn(figure: Figure): { readonly scene: Scene | null; readonly problem: string | null } {
  const wardrobe = useWardrobe()
  const [scene, setScene] = useState<Scene | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    let current = true
    compute()
      .draw(figure, wardrobe)
      .then(
        (s) => current && setScene(s),
        (error: unknown) => current && setProblem(String(error)),
      )
    return () => {
      current = false
    }
  }, [figure, wardrobe])
  return { scene, problem }
}
