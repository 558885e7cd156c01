'use client'

import { FolderPlus } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useNotice } from '../chrome/Notice'
import { ask } from '../send'
import { addressOf, nested, placeNames, type ShelfName, type ShelfPlace } from './shelved'
import { useWords } from '../words/words'

type Props = { readonly shelves: readonly ShelfName[]; readonly place: ShelfPlace; readonly isGuest: boolean }

const isSame = (a: ShelfPlace, b: ShelfPlace): boolean => addressOf(a) === addressOf(b)

/** All shelves at the side: one's own, those of teams, and the places that everybody has. */
export function ShelfList({ shelves, place, isGuest }: Props) {
  const t = useWords()
  const list = nested(shelves)
  const teams = [...new Set(list.flatMap((s) => (s.team === null ? [] : [s.team])))]
  const names = isGuest ? (['shared'] as const) : (Object.keys(placeNames) as (keyof typeof placeNames)[])
  return (
    <nav aria-label={t('Shelves')} className="flex flex-col gap-5 text-[14px]">
      {!isGuest && (
        <Group name={t('My shelves')} shelves={list.filter((s) => s.team === null)} place={place}>
          <NewShelf parent={typeof place === 'string' ? null : place.shelf} />
        </Group>
      )}
      {teams.map((team) => (
        <Group key={team} name={team} shelves={list.filter((s) => s.team === team)} place={place} />
      ))}
      <ul>
        {names.map((p) => (
          <li key={p}>
            <Line to={addressOf(p)} current={isSame(p, place)} says={t(placeNames[p])} />
          </li>
        ))}
      </ul>
    </nav>
  )
}

type GroupProps = {
  readonly name: string
  readonly shelves: readonly (ShelfName & { readonly inside: boolean })[]
  readonly place: ShelfPlace
  readonly children?: React.ReactNode
}

const Group = ({ name, shelves, place, children }: GroupProps) => (
  <div>
    <h2 className="mb-1 px-2 text-[13px] text-quiet">{name}</h2>
    <ul>
      {shelves.map((s) => (
        <li key={s.id} className={s.inside ? 'pl-4' : ''}>
          <Line
            to={addressOf({ shelf: s.id })}
            current={isSame({ shelf: s.id }, place)}
            says={s.name}
            count={s.count}
          />
        </li>
      ))}
    </ul>
    {children}
  </div>
)

type LineProps = { readonly to: string; readonly current: boolean; readonly says: string; readonly count?: number }

const Line = ({ to, current, says, count }: LineProps) => (
  <Link
    href={to}
    aria-current={current ? 'page' : undefined}
    className={`flex items-baseline gap-2 rounded px-2 py-1 ${current ? 'bg-sea-wash font-semibold' : 'hover:bg-sea-wash/60'}`}
  >
    <span className="min-w-0 flex-1 truncate">{says}</span>
    {count !== undefined && <span className="text-[12px] text-quiet">{count}</span>}
  </Link>
)

/** Inside the shelf that is shown, or beside it. */
function NewShelf({ parent }: { readonly parent: string | null }) {
  const t = useWords()
  const router = useRouter()
  const tell = useNotice()
  const [naming, setNaming] = useState(false)
  const [inside, setInside] = useState(false)
  const make = async (name: string) => {
    setNaming(false)
    if (name.trim() === '') return
    const answer = await ask('POST', '/api/shelves', { name: name.trim(), parent: inside ? parent : null })
    if ('problem' in answer) return tell(answer.problem)
    router.push(addressOf({ shelf: (answer.json as { readonly id: string }).id }))
    router.refresh()
  }
  if (!naming)
    return (
      <button type="button" className="quiet-button mt-1" onClick={() => setNaming(true)}>
        <FolderPlus size={15} aria-hidden="true" />
        {t('New shelf')}
      </button>
    )
  return (
    <form
      className="mt-1 flex flex-col gap-1 px-2"
      onSubmit={(e) => {
        e.preventDefault()
        void make(String(new FormData(e.currentTarget).get('name') ?? ''))
      }}
    >
      <input
        autoFocus
        name="name"
        className="field"
        aria-label={t('Name of the shelf')}
        maxLength={80}
        onKeyDown={(e) => e.key === 'Escape' && setNaming(false)}
      />
      {parent !== null && (
        <label className="flex items-center gap-2 text-[13px]">
          <input type="checkbox" checked={inside} onChange={(e) => setInside(e.target.checked)} />
          {t('inside this shelf')}
        </label>
      )}
      <button type="submit" className="button self-start">
        {t('Make it')}
      </button>
    </form>
  )
}
