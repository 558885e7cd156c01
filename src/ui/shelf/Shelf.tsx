'use client'

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { Ellipsis } from 'lucide-react'
import dynamic from 'next/dynamic'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { useNewFolioPlace } from '../arrive/places'
import { useFileDrop } from '../arrive/useFileDrop'
import { useOpenFiles } from '../arrive/useOpenFiles'
import { useCommands } from '../chrome/commands'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import { TopLine } from '../chrome/TopLine'
import { ask, send } from '../send'
import { ForPrograms } from './ForPrograms'
import { NewFolio } from './NewFolio'

const ArrivalsDialog = dynamic(async () => (await import('../arrive/ArrivalsDialog')).ArrivalsDialog)

export type ShelvedFolio = {
  readonly id: string
  readonly title: string
  readonly changed: string
  /** Changes whenever the folio does. */
  readonly version: number
  /** Null where what is stored cannot be read. */
  readonly summary: {
    readonly words: number
    readonly opening: string
    readonly figures: number
    readonly shown: readonly { readonly id: string; readonly alt: string }[]
  } | null
}

export function Shelf({
  name,
  count,
  page,
  pages,
  folios,
  patterns,
}: {
  name: string
  count: number
  page: number
  pages: number
  folios: readonly ShelvedFolio[]
  patterns: readonly { readonly id: string; readonly name: string }[]
}) {
  const [adding, setAdding] = useState(count === 0)
  const commands = useMemo(() => [{ name: 'New folio', keys: 'Alt+N', run: () => setAdding(true) }], [])
  useCommands(commands)
  const opening = useOpenFiles()
  const drop = useFileDrop(opening.take)
  const anew = useNewFolioPlace(opening.arriving.list.length < 2)
  return (
    <>
      <TopLine crumbs={[{ text: 'Shelf', href: null }]} />
      <main
        className={`mx-auto w-full max-w-[1180px] flex-1 px-6 py-8 ${drop.over ? 'outline-2 -outline-offset-8 outline-sea outline-dashed' : ''}`}
        {...drop.handlers}
      >
        <div className="mb-6 flex items-end justify-between gap-4">
          <div>
            <h1 className="font-serif text-[30px] leading-tight font-semibold">{name}</h1>
            <p className="text-quiet">{count === 1 ? 'One folio' : `${count} folios`}, the one changed last first</p>
          </div>
          <button type="button" className="button-primary" onClick={() => setAdding(true)} aria-keyshortcuts="Alt+N">
            New folio
          </button>
        </div>
        {adding && (
          <NewFolio
            patterns={patterns}
            onFile={(file) => opening.take([file])}
            onClose={count === 0 ? null : () => setAdding(false)}
          />
        )}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(340px,1fr))] gap-6">
          {folios.map((f) => (
            <FolioCard key={f.id} folio={f} />
          ))}
        </ul>
        {pages > 1 && <Pages page={page} pages={pages} />}
        <ForPrograms />
        {opening.open && (
          <ArrivalsDialog folio={null} arriving={opening.arriving} places={[anew]} onClose={opening.close} />
        )}
      </main>
    </>
  )
}

function Pages({ page, pages }: { page: number; pages: number }) {
  const to = (name: string, target: number) =>
    target >= 1 && target <= pages ? (
      <Link href={`/?page=${target}`} className="button">
        {name}
      </Link>
    ) : null
  return (
    <nav aria-label="Pages of the shelf" className="mt-8 flex items-center justify-center gap-4">
      {to('Changed later', page - 1)}
      <span className="text-quiet">
        Page {page} of {pages}
      </span>
      {to('Changed earlier', page + 1)}
    </nav>
  )
}

function FolioCard({ folio }: { folio: ShelvedFolio }) {
  const router = useRouter()
  const tell = useNotice()
  const [naming, setNaming] = useState(false)
  const path = `/api/folios/${folio.id}`
  const act = async (work: Promise<string | null>, done?: () => void) => {
    const problem = await work
    if (problem) tell(problem)
    else done?.()
    router.refresh()
  }
  const remove = () =>
    act(send('DELETE', path), () =>
      tell(`“${folio.title}” is deleted.`, {
        label: 'Take it back',
        run: () => void act(send('PATCH', path, { deleted: false })),
      }),
    )
  const restore = async () => {
    const answer = await ask('POST', `${path}/restore`)
    tell('problem' in answer ? answer.problem : `The last good state of “${folio.title}” stands on the shelf.`)
    router.refresh()
  }
  const rename = (title: string) => {
    setNaming(false)
    if (title.trim() && title.trim() !== folio.title) void act(send('PATCH', path, { title: title.trim() }))
  }
  return (
    <li className="group relative flex flex-col overflow-hidden rounded-lg border border-rule bg-page transition-colors hover:border-quiet">
      {folio.summary ? (
        <FolioFace folio={folio} summary={folio.summary} />
      ) : (
        <div className="flex h-44 flex-col items-start gap-3 px-5 pt-5">
          <p className="text-needle">What is stored of this folio cannot be read in full.</p>
          <button type="button" className="button relative z-10" onClick={() => void restore()}>
            Restore its last good state
          </button>
        </div>
      )}
      <div className="flex items-start gap-2 border-t border-rule px-4 py-3">
        <div className="min-w-0 flex-1">
          {naming ? (
            <input
              autoFocus
              aria-label="Name of the folio"
              defaultValue={folio.title}
              className="field relative z-10"
              onFocus={(e) => e.target.select()}
              onBlur={(e) => rename(e.target.value)}
              onKeyDown={(e) => {
                if (e.key === 'Enter') rename(e.currentTarget.value)
                if (e.key === 'Escape') setNaming(false)
              }}
            />
          ) : (
            <h2 className="text-[17px] font-semibold">
              <Link href={`/folio/${folio.id}`} className="block min-h-6 truncate after:absolute after:inset-0">
                {folio.title}
              </Link>
            </h2>
          )}
          <p className="text-[13px] text-quiet">
            changed {folio.changed}
            {folio.summary &&
              ` · ${counted(folio.summary.figures, 'figure')} · ${counted(folio.summary.words, 'word')}`}
          </p>
        </div>
        <Menu>
          <MenuButton className="quiet-button relative z-10" aria-label={`More for “${folio.title}”`}>
            <Ellipsis size={18} aria-hidden="true" />
          </MenuButton>
          <MenuItems anchor="bottom end" className="z-30 min-w-36 rounded-md border border-rule bg-page py-1 shadow-lg">
            <MenuItem>
              <button
                type="button"
                className="block w-full px-3 py-1.5 text-left data-[focus]:bg-sea-wash"
                onClick={() => setNaming(true)}
              >
                Rename
              </button>
            </MenuItem>
            <MenuItem>
              <button
                type="button"
                className="block w-full px-3 py-1.5 text-left data-[focus]:bg-sea-wash"
                onClick={() => void remove()}
              >
                Delete
              </button>
            </MenuItem>
          </MenuItems>
        </Menu>
      </div>
    </li>
  )
}

const counted = (count: number, noun: string): string => `${count} ${noun}${count === 1 ? '' : 's'}`

/** The folio's figures as they stand, or the opening of its text where it has none. */
function FolioFace({ folio, summary }: { folio: ShelvedFolio; summary: NonNullable<ShelvedFolio['summary']> }) {
  const { theme } = useTheme()
  if (summary.shown.length === 0)
    return (
      <div className="flex h-44 flex-col gap-2 px-5 pt-5">
        <p className="line-clamp-4 font-serif text-[16px] leading-relaxed">
          {summary.opening || 'Nothing written yet.'}
        </p>
        <p className="mt-auto pb-3 text-[13px] text-quiet">No figure yet</p>
      </div>
    )
  return (
    <div className="flex h-44 items-center justify-center gap-2 p-3">
      {summary.shown.map((g) => (
        // A figure is drawn by the server from the folio as it stands; no optimiser is wanted in between.
        // eslint-disable-next-line @next/next/no-img-element
        <img
          key={g.id}
          alt={g.alt}
          loading="lazy"
          className="h-full min-w-0 flex-1 object-contain"
          src={`/api/folios/${folio.id}/figures/${g.id}/file?format=svg&show=inline&theme=${theme}&background=no&at=${folio.version}`}
        />
      ))}
    </div>
  )
}
