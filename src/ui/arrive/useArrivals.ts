'use client'

import { nanoid } from 'nanoid'
import { useCallback, useRef, useState } from 'react'
import type { Arrival, Imported } from './arrivals'
import { said } from '@/core/words'
import { sayNow } from '../words/words'

const AT_ONCE = 2

export type Arriving = {
  readonly list: readonly Arrival[]
  readonly add: (files: readonly File[]) => void
  /** Ends the reading of one, or takes it off the list. */
  readonly drop: (id: string) => void
  readonly taken: (id: string, into: string) => void
  readonly clear: () => void
}

/** Files read by the server, two at a time; each can be stopped. */
export function useArrivals(): Arriving {
  const [list, setList] = useState<readonly Arrival[]>([])
  const stops = useRef(new Map<string, AbortController>())
  const waiting = useRef<(() => Promise<void>)[]>([])
  const busy = useRef(0)

  const set = useCallback(
    (id: string, state: Arrival['state']) => setList((all) => all.map((a) => (a.id === id ? { ...a, state } : a))),
    [],
  )
  const add = useCallback(
    (files: readonly File[]) => {
      const next = (): void => {
        if (busy.current >= AT_ONCE) return
        const work = waiting.current.shift()
        if (!work) return
        busy.current++
        void work().finally(() => {
          busy.current--
          next()
        })
      }
      for (const file of files) {
        const id = nanoid()
        const stop = new AbortController()
        stops.current.set(id, stop)
        setList((all) => [...all, { id, name: file.name, state: { is: 'reading' } }])
        waiting.current.push(async () => {
          if (!stop.signal.aborted) set(id, await read(file, stop.signal))
        })
        next()
      }
    },
    [set],
  )
  const drop = useCallback((id: string) => {
    stops.current.get(id)?.abort()
    stops.current.delete(id)
    setList((all) => all.filter((a) => a.id !== id))
  }, [])
  const taken = useCallback((id: string, into: string) => set(id, { is: 'taken', into }), [set])
  const clear = useCallback(() => {
    for (const stop of stops.current.values()) stop.abort()
    stops.current.clear()
    setList([])
  }, [])
  return { list, add, drop, taken, clear }
}

async function read(file: File, signal: AbortSignal): Promise<Arrival['state']> {
  try {
    const response = await fetch(`/api/imports?name=${encodeURIComponent(file.name)}`, {
      method: 'POST',
      body: file,
      signal,
    })
    const json: unknown = await response.json()
    // Checked by the server, figures against their schema.
    if (response.ok) return { is: 'here', came: json as Imported }
    const title = json !== null && typeof json === 'object' && 'title' in json ? String(json.title) : null
    return {
      is: 'refused',
      why: title ?? sayNow(said('The server answered with status {status}. Try again.', { status: response.status })),
    }
  } catch {
    return {
      is: 'refused',
      why: sayNow(said('The server cannot be reached. Check the connection and open the file again.')),
    }
  }
}
