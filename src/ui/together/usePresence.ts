'use client'

import { useEffect, useMemo, useState } from 'react'
import { Presence, type Other, type Place } from '@/sync/presence'
import type { OpenFolio } from '../folio/useFolio'
import { send } from '../send'

/** Who else has the folio open, and the way to tell them where one is. */
export function usePresence(folio: OpenFolio, place: Place) {
  const [others, setOthers] = useState<readonly Other[]>([])
  const presence = useMemo(
    () =>
      new Presence({
        window: folio.window,
        onChange: setOthers,
        send: (body) => send('POST', `/api/folios/${folio.id}/presence`, body),
      }),
    [folio],
  )
  useEffect(() => {
    const leave = folio.hear((name, data) => name === 'presence' && presence.heard(data))
    presence.start(place)
    const gone = () => presence.stop()
    addEventListener('pagehide', gone)
    return () => {
      removeEventListener('pagehide', gone)
      leave()
      presence.stop()
    }
    // Where it begins; `move` tells of the rest.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [folio, presence])
  return { others, presence }
}
export type Together = ReturnType<typeof usePresence>
