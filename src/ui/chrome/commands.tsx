'use client'

import dynamic from 'next/dynamic'
import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'

/** Something a person can do now. `keys` as `Mod+Shift+K`; Mod is Ctrl, or Command on a Mac. */
export type Command = { readonly name: string; readonly keys?: string; readonly run: () => void }

type Registry = { readonly offer: (list: readonly Command[]) => () => void; readonly open: () => void }
const CommandContext = createContext<Registry>({ offer: () => () => undefined, open: () => undefined })

const CommandFinder = dynamic(() => import('./CommandFinder').then((m) => m.CommandFinder), { ssr: false })

/** Offers commands while the component stands on the page, by their keys and in the finder. */
export function useCommands(commands: readonly Command[]): void {
  const { offer } = useContext(CommandContext)
  useEffect(() => offer(commands), [offer, commands])
}
export const useCommandFinder = (): (() => void) => useContext(CommandContext).open

const FINDER_KEYS = 'Mod+K'

export function CommandProvider({ children }: { children: ReactNode }) {
  const offered = useRef(new Set<readonly Command[]>())
  const [listed, setListed] = useState<readonly Command[] | null>(null)
  const registry = useMemo<Registry>(
    () => ({
      offer: (list) => {
        offered.current.add(list)
        return () => offered.current.delete(list)
      },
      open: () => setListed([...offered.current].flat()),
    }),
    [],
  )
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (matches(event, FINDER_KEYS)) {
        event.preventDefault()
        registry.open()
        return
      }
      const command = [...offered.current].flat().find((c) => c.keys !== undefined && matches(event, c.keys))
      if (!command) return
      event.preventDefault()
      command.run()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [registry])
  return (
    <CommandContext.Provider value={registry}>
      {children}
      {listed && <CommandFinder commands={listed} onClose={() => setListed(null)} />}
    </CommandContext.Provider>
  )
}

function matches(event: KeyboardEvent, keys: string): boolean {
  const parts = keys.split('+')
  const key = parts.at(-1) ?? ''
  const wants = (name: string) => parts.slice(0, -1).includes(name)
  return (
    event.key.toLowerCase() === key.toLowerCase() &&
    (event.ctrlKey || event.metaKey) === wants('Mod') &&
    event.shiftKey === wants('Shift') &&
    event.altKey === wants('Alt')
  )
}

export const shownKeys = (keys: string): string =>
  keys
    .replace('Mod', 'Ctrl')
    .replace('ArrowUp', '↑')
    .replace('ArrowDown', '↓')
    .replace('ArrowRight', '→')
    .replace('ArrowLeft', '←')
