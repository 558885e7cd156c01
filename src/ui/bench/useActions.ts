'use client'

import { useMemo } from 'react'
import { adding } from './actions/adding'
import type { Hands } from './actions/hands'
import { moving } from './actions/moving'
import { placing } from './actions/placing'

export type BenchActions = ReturnType<typeof useActions>

/** What one can do to the figure from here, each as one edit. */
export function useActions({ figure, scene, apply, selection, region, select, edit, tell }: Hands) {
  return useMemo(() => {
    const hands: Hands = { figure, scene, apply, selection, region, select, edit, tell }
    return { ...adding(hands), ...moving(hands), ...placing(hands) }
  }, [figure, scene, apply, selection, region, select, edit, tell])
}
