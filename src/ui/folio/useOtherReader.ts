'use client'

import { useCallback, useState } from 'react'
import type { Grounded, Reading, Refused } from '@/core/propose'
import { compute } from '@/workers/client'
import { ask } from '../send'
import { useWords } from '../words/words'

export type OtherReader = {
  readonly name: string
  readonly asking: boolean
  readonly problem: string | null
  /** Null before it has answered. */
  readonly readings: readonly Reading[] | null
  /** Figures that did not hold against the passage. */
  readonly refused: readonly Refused[]
  readonly ask: () => void
}

type State = { readonly text: string; readonly problem: string | null; readonly answer: Grounded | null }

/** Another reader, where the deployment has configured one. It is asked only when a person says so, since the passage then leaves
 *  this server; what it answers is good for the words it was asked about. */
export function useOtherReader(name: string | null, text: string | null): OtherReader | null {
  const t = useWords()
  const [state, setState] = useState<State | null>(null)
  const askFor = useCallback(
    async (passage: string, by: string): Promise<void> => {
      const settle = (s: Omit<State, 'text'>) =>
        setState((now) => (now?.text === passage ? { text: passage, ...s } : now))
      setState({ text: passage, problem: null, answer: null })
      try {
        const given = await ask('POST', '/api/readings', { passage })
        if ('problem' in given) return settle({ problem: given.problem, answer: null })
        settle({ problem: null, answer: await compute().ground(passage, given.json, by) })
      } catch (error) {
        settle({
          problem: t('What {by} answered could not be used: {error}', { by, error: String(error) }),
          answer: null,
        })
      }
    },
    [t],
  )
  if (name === null || text === null) return null
  const here = state?.text === text ? state : null
  return {
    name,
    asking: here !== null && here.problem === null && here.answer === null,
    problem: here?.problem ?? null,
    readings: here?.answer?.readings ?? null,
    refused: here?.answer?.refused ?? [],
    ask: () => void askFor(text, name),
  }
}
