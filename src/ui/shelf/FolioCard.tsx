'use client'

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import { Ellipsis, Star } from 'lucide-react'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import { ask, send } from '../send'
import type { ShelfName, ShelvedFolio } from './shelved'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

type Props = {
  readonly folio: ShelvedFolio
  readonly shelves: readonly ShelfName[]
  readonly inBin: boolean
}

/** A folio on the shelf: its face, its name, and what can be done with it. */
export function FolioCard({ folio, shelves, inBin }: Props) {
  const t = useWords()
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
  const rename = (title: string) => {
    setNaming(false)
    if (title.trim() && title.trim() !== folio.title) void act(send('PATCH', path, { title: title.trim() }))
  }
  const restore = async () => {
    const answer = await ask('POST', `${path}/restore`)
    tell(
      'problem' in answer
        ? answer.problem
        : t('The last good state of “{title}” stands on the shelf.', { title: folio.title }),
    )
    router.refresh()
  }
  return (
    <li className="group relative flex flex-col overflow-hidden rounded-lg border border-rule bg-page transition-colors hover:border-quiet">
      {folio.summary ? (
        <FolioFace folio={folio} summary={folio.summary} plain={inBin} />
      ) : (
        <Broken onRestore={() => void restore()} />
      )}
      <div className="flex items-start gap-2 border-t border-rule px-4 py-3">
        <div className="min-w-0 flex-1">
          {naming ? (
            <NameField title={folio.title} onName={rename} onLeave={() => setNaming(false)} />
          ) : (
            <Title folio={folio} inBin={inBin} />
          )}
          <About folio={folio} />
        </div>
        {inBin ? (
          <button
            type="button"
            className="button relative z-10"
            onClick={() => void act(send('PATCH', path, { deleted: false }))}
          >
            {t('Take it back')}
          </button>
        ) : null}
        <More
          title={folio.title}
          list={doings({ folio, shelves, inBin, act, tell, path, name: () => setNaming(true) })}
        />
      </div>
    </li>
  )
}

const Broken = ({ onRestore }: { readonly onRestore: () => void }) => {
  const t = useWords()
  return (
    <div className="flex h-44 flex-col items-start gap-3 px-5 pt-5">
      <p className="text-needle">{t('What is stored of this folio cannot be read in full.')}</p>
      <button type="button" className="button relative z-10" onClick={onRestore}>
        {t('Restore its last good state')}
      </button>
    </div>
  )
}

type Doing = { readonly says: Said; readonly run: () => void }
type MoreProps = { readonly title: string; readonly list: readonly Doing[] }

const More = ({ title, list }: MoreProps) => {
  const t = useWords()
  return (
    <Menu>
      <MenuButton className="quiet-button relative z-10" aria-label={t('More for “{title}”', { title })}>
        <Ellipsis size={18} aria-hidden="true" />
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-30 max-h-80 min-w-36 rounded-md border border-rule bg-page py-1 shadow-lg"
      >
        {list.map((d) => (
          <MenuItem key={t(d.says)}>
            <button
              type="button"
              className="block w-full px-3 py-1.5 text-left data-[focus]:bg-sea-wash"
              onClick={d.run}
            >
              {t(d.says)}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  )
}

/** The teams that somebody may give something to. */
const teamsIn = (shelves: readonly ShelfName[]): readonly { readonly id: string; readonly name: string }[] => [
  ...new Map(
    shelves.flatMap((s) => (s.mine && s.teamId && s.team ? [[s.teamId, { id: s.teamId, name: s.team }] as const] : [])),
  ).values(),
]

type DoingsFor = Props & {
  readonly act: (work: Promise<string | null>, done?: () => void) => Promise<void>
  readonly tell: ReturnType<typeof useNotice>
  readonly path: string
  readonly name: () => void
}

/** What can be done with a folio where it stands. What only its owner may, the server says to who may not. */
function doings({ folio, shelves, inBin, act, tell, path, name }: DoingsFor): readonly Doing[] {
  if (inBin) return [{ says: said('Delete for good'), run: () => void act(send('DELETE', `${path}/bin`)) }]
  const back = { label: said('Take it back'), run: () => void act(send('PATCH', path, { deleted: false })) }
  const remove = () =>
    act(send('DELETE', path), () => tell(said('“{title}” is deleted.', { title: folio.title }), back))
  const to = shelves.filter((s) => s.mine && s.id !== folio.shelf)
  return [
    { says: said('Rename'), run: name },
    {
      says: folio.favourite ? said('No favourite any more') : said('Mark as a favourite'),
      run: () => void act(send(folio.favourite ? 'DELETE' : 'POST', `${path}/favourite`)),
    },
    {
      says: said('Make a copy'),
      run: () =>
        void act(send('POST', `${path}/copy`), () =>
          tell(said('A copy of “{title}” stands on your first shelf.', { title: folio.title })),
        ),
    },
    {
      says: said('Keep as a pattern'),
      run: () =>
        void act(send('POST', '/api/patterns', { folio: folio.id, name: folio.title.slice(0, 80) }), () =>
          tell(said('“{title}” stands among the worked patterns.', { title: folio.title })),
        ),
    },
    ...teamsIn(shelves).map(({ id, name: team }) => ({
      says: said('Keep as a pattern of {team}', { team }),
      run: () =>
        void act(send('POST', '/api/patterns', { folio: folio.id, name: folio.title.slice(0, 80), team: id }), () =>
          tell(said('“{title}” stands among the patterns of {team}.', { title: folio.title, team })),
        ),
    })),
    ...to.map((s) => ({
      says: said('Move to “{shelf}”', { shelf: s.team && s.team !== s.name ? `${s.team}: ${s.name}` : s.name }),
      run: () =>
        void act(send('PATCH', path, { shelf: s.id }), () =>
          tell(said('“{title}” stands on “{shelf}”.', { title: folio.title, shelf: s.name })),
        ),
    })),
    { says: said('Delete'), run: () => void remove() },
  ]
}

const Title = ({ folio, inBin }: { readonly folio: ShelvedFolio; readonly inBin: boolean }) => {
  const t = useWords()
  return (
    <h2 className="text-[17px] font-semibold">
      {inBin ? (
        <span className="block min-h-6 truncate">{folio.title}</span>
      ) : (
        <Link href={`/folio/${folio.id}`} className="block min-h-6 truncate after:absolute after:inset-0">
          {folio.favourite && (
            <Star size={14} aria-label={t('Favourite')} className="mr-1 mb-0.5 inline fill-brass text-brass" />
          )}
          {folio.title}
        </Link>
      )}
    </h2>
  )
}

const About = ({ folio }: { readonly folio: ShelvedFolio }) => {
  const t = useWords()
  return (
    <p className="text-[13px] text-quiet">
      {folio.of && `${folio.of}’s · `}
      {t('changed {changed}', { changed: folio.changed })}
      {folio.summary &&
        ` · ${t('{figures, plural, one {# figure} other {# figures}} · {words, plural, one {# word} other {# words}}', {
          figures: folio.summary.figures,
          words: folio.summary.words,
        })}`}
    </p>
  )
}

type NameProps = { readonly title: string; readonly onName: (title: string) => void; readonly onLeave: () => void }

const NameField = ({ title, onName, onLeave }: NameProps) => {
  const t = useWords()
  return (
    <input
      autoFocus
      aria-label={t('Name of the folio')}
      defaultValue={title}
      className="field relative z-10"
      onFocus={(e) => e.target.select()}
      onBlur={(e) => onName(e.target.value)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') onName(e.currentTarget.value)
        if (e.key === 'Escape') onLeave()
      }}
    />
  )
}

type FaceProps = {
  readonly folio: ShelvedFolio
  readonly summary: NonNullable<ShelvedFolio['summary']>
  /** Its words alone. */
  readonly plain: boolean
}

/** The folio's figures as they stand, or the opening of its text where it has none. */
function FolioFace({ folio, summary, plain }: FaceProps) {
  const t = useWords()
  const { theme } = useTheme()
  if (plain || summary.shown.length === 0)
    return (
      <div className="flex h-44 flex-col gap-2 px-5 pt-5">
        <p className="line-clamp-4 font-serif text-[16px] leading-relaxed">
          {summary.opening || t('Nothing written yet.')}
        </p>
        {summary.shown.length === 0 && <p className="mt-auto pb-3 text-[13px] text-quiet">{t('No figure yet')}</p>}
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
