'use client'

import dynamic from 'next/dynamic'
import { createContext, useContext, useEffect, useMemo, useRef, useState, type ReactNode } from 'react'
import { commandFor, placeOf, type Command } from './keyPlaces'
import { useWords } from '../words/words'

type Registry = { readonly offer: (list: readonly Command[]) => () => void; readonly open: () => void }
const CommandContext = createContext<Registry>({ offer: () => () => undefined, open: () => undefined })

const finder = () => import('./CommandFinder').then((m) => m.CommandFinder)
const ShortcutSheet = dynamic(() => import('./ShortcutSheet').then((m) => m.ShortcutSheet), { ssr: false })
const CommandFinder = dynamic(finder, { ssr: false })
/** The finder is fetched once the page has settled: who asks for it types at once. */
const FETCH_AFTER_MS = 1500

/** Offers commands while the component stands on the page, by their keys and in the finder. */
export function useCommands(commands: readonly Command[]): void {
  const { offer } = useContext(CommandContext)
  useEffect(() => offer(commands), [offer, commands])
}
export const useCommandFinder = (): (() => void) => useContext(CommandContext).open

export function CommandProvider({ children }: { children: ReactNode }) {
  const t = useWords()
  const offered = useRef(new Set<readonly Command[]>())
  const [listed, setListed] = useState<readonly Command[] | null>(null)
  const [sheet, setSheet] = useState<readonly Command[] | null>(null)
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
    const timer = setTimeout(
      () => void finder().catch((error: unknown) => console.error('finder', error)),
      FETCH_AFTER_MS,
    )
    return () => clearTimeout(timer)
  }, [])
  useEffect(() => {
    const find: Command = {
      name: t('Find a command'),
      keys: 'Mod+K',
      at: ['page', 'manuscript', 'field'],
      run: registry.open,
    }
    const all = (): Command[] => [find, ...offered.current].flat()
    const shortcuts: Command = { name: t('Show all shortcuts'), keys: 'Shift+?', run: () => setSheet(all()) }
    const own = [shortcuts]
    const kept = offered.current
    kept.add(own)
    const onKey = (event: KeyboardEvent) => {
      const command = commandFor(all(), event, placeOf(event.target))
      if (!command) return
      event.preventDefault()
      command.run()
    }
    window.addEventListener('keydown', onKey)
    return () => {
      kept.delete(own)
      window.removeEventListener('keydown', onKey)
    }
  }, [registry, t])
  return (
    <CommandContext.Provider value={registry}>
      {children}
      {sheet && <ShortcutSheet commands={sheet} onClose={() => setSheet(null)} />}
      {listed && <CommandFinder commands={listed} onClose={() => setListed(null)} />}
    </CommandContext.Provider>
  )
}
