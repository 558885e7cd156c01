'use client'

import { usePathname } from 'next/navigation'
import { createContext, useCallback, useContext, useEffect, useRef, useState, type ReactNode } from 'react'
import { X } from 'lucide-react'
import { useSay, useWords } from '../words/words'
import type { Said } from '@/core/words'

type Shown = {
  readonly text: string | Said
  readonly action: { readonly label: string | Said; readonly run: () => void } | null
  readonly key: number
  /** The page it speaks of: on another it would be in the way. */
  readonly page: string
}
/** A sentence, or one that was put together already. */
export type Notify = (text: string | Said, action?: { label: string | Said; run: () => void }) => void

const NoticeContext = createContext<Notify>(() => undefined)
export const useNotice = (): Notify => useContext(NoticeContext)

const STAYS_MS = 12_000

/** One line at the foot of the page: what happened, and how to take it back. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const t = useWords()
  const say = useSay()
  const [shown, setShown] = useState<Shown | null>(null)
  const page = usePathname()
  const here = useRef(page)
  useEffect(() => {
    here.current = page
  }, [page])
  const tell = useCallback<Notify>(
    (text, action) => setShown({ text, action: action ?? null, key: performance.now(), page: here.current }),
    [],
  )
  useEffect(() => {
    if (!shown) return
    const timer = setTimeout(() => setShown(null), STAYS_MS)
    return () => clearTimeout(timer)
  }, [shown])
  return (
    <NoticeContext.Provider value={tell}>
      {children}
      <div
        role="status"
        aria-live="polite"
        className="pointer-events-none fixed inset-x-0 bottom-5 z-50 flex justify-center"
      >
        {shown?.page === page && (
          <div className="pointer-events-auto flex max-w-[46rem] items-center gap-4 rounded-lg bg-ink px-4 py-2.5 text-[14px] text-page shadow-lg">
            <span>{say(shown.text)}</span>
            {shown.action && (
              <button
                type="button"
                className="font-semibold whitespace-nowrap underline underline-offset-4"
                onClick={() => {
                  shown.action?.run()
                  setShown(null)
                }}
              >
                {say(shown.action.label)}
              </button>
            )}
            <button type="button" aria-label={t('Close this notice')} onClick={() => setShown(null)}>
              <X size={16} aria-hidden="true" />
            </button>
          </div>
        )}
      </div>
    </NoticeContext.Provider>
  )
}
