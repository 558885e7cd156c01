'use client'

import { useCallback, useEffect, useRef, useState } from 'react'
import { useNotice } from '../chrome/Notice'
import type { OpenFolio } from '../folio/useFolio'
import { ask, send } from '../send'
import { exportListSchema, isUnderWay, type ExportRow, type FolioDelivery } from './folioDelivery'
import { useWords } from '../words/words'

const LOOK_MS = 700
const WAIT_MS = 5000

export type Exports = {
  readonly rows: readonly ExportRow[]
  readonly asking: boolean
  readonly order: (delivery: FolioDelivery) => void
  readonly drop: (id: string) => void
}

/** The files of a folio: asked for, watched while they are made, fetched when they are ready. */
export function useExports(folio: OpenFolio): Exports {
  const t = useWords()
  const tell = useNotice()
  const [rows, setRows] = useState<readonly ExportRow[]>([])
  const [asking, setAsking] = useState(false)
  /** Ordered in this window: it is fetched as soon as it is there. */
  const mine = useRef(new Set<string>())
  const path = `/api/folios/${folio.id}/exports`

  const look = useCallback(async () => {
    const answer = await ask('GET', path)
    const list = 'problem' in answer ? null : exportListSchema.safeParse(answer.json)
    if (!list?.success) return
    setRows(list.data.exports)
    for (const { id, state } of list.data.exports)
      if (state === 'done' && mine.current.delete(id)) fetchFile(`${path}/${id}`)
  }, [path])

  const busy = rows.some(isUnderWay)
  useEffect(() => {
    const first = setTimeout(() => void look(), 0)
    const timer = busy ? setInterval(() => void look(), LOOK_MS) : undefined
    return () => {
      clearTimeout(first)
      clearInterval(timer)
    }
  }, [busy, look])

  const order = (delivery: FolioDelivery) => {
    setAsking(true)
    void (async () => {
      // The server writes what it has, so what is here has to be there first.
      if (await folio.connection.settled(WAIT_MS)) {
        const answer = await ask('POST', path, delivery)
        if ('problem' in answer) tell(answer.problem)
        else mine.current.add((answer.json as { readonly id: string }).id)
        await look()
      } else tell(t('The last changes have not reached the server yet. Wait for “Saved” and try again.'))
      setAsking(false)
    })()
  }
  const drop = (id: string) =>
    void send('DELETE', `${path}/${id}`).then((problem) => {
      if (problem) tell(problem)
      return look()
    })
  return { rows, asking, order, drop }
}

function fetchFile(address: string): void {
  const link = document.createElement('a')
  link.href = address
  link.download = ''
  link.click()
}
