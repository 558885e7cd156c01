'use client'

import { Search } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { kinds } from '@/core/figure'
import { plainWardrobe, type HouseStyle } from '@/core/style'
import { Choice } from '../chrome/Choice'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import { TopLine } from '../chrome/TopLine'
import { ask, send } from '../send'
import { fitting, type Pattern, type Wish } from './found'
import { PatternCard } from './PatternCard'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'
import { Hint } from '../hints/Hint'

type Props = {
  readonly patterns: readonly Pattern[]
  /** What each task is called. */
  readonly tasks: Readonly<Record<string, string>>
  /** The style that one's folios begin in. */
  readonly style: string | null
  readonly own: HouseStyle | null
  /** Where a folio made here is to stand. */
  readonly shelf: string | null
}

/** Texts with gaps to begin with, each as the figure that it reads as. */
export function PatternsPage({ patterns, tasks, style, own, shelf }: Props) {
  const t = useWords()
  const router = useRouter()
  const tell = useNotice()
  const { theme } = useTheme()
  const [wish, setWish] = useState({ words: '', task: '', kind: '' })
  const [topic, setTopic] = useState('')
  const [busy, setBusy] = useState(false)
  const wardrobe = useMemo(() => {
    const plain = plainWardrobe(theme)
    return style ? { ...plain, style, own: own ? { [style]: own } : {} } : plain
  }, [theme, style, own])
  const begin = async (id: string) => {
    setBusy(true)
    const answer = await ask('POST', `/api/patterns/${id}/folios`, { topic, shelf })
    setBusy(false)
    if ('problem' in answer) tell(answer.problem)
    else router.push(`/folio/${(answer.json as { readonly id: string }).id}`)
  }
  const remove = async (id: string) => {
    const problem = await send('DELETE', `/api/patterns/${id}`)
    if (problem) tell(problem)
    router.refresh()
  }
  const shown = fitting(patterns, wish)
  return (
    <>
      <TopLine
        crumbs={[
          { text: t('Shelf'), href: '/' },
          { text: t('Worked patterns'), href: null },
        ]}
      />
      <Hint place="patterns" />
      <main className="mx-auto w-full max-w-[1180px] flex-1 px-6 py-8">
        <h1 className="font-serif text-[30px] leading-tight font-semibold">{t('Worked patterns')}</h1>
        <p className="mb-5 text-quiet">
          {t('A text with gaps, and the figure that it reads as. Fill the gaps, and the figure fills.')}
        </p>
        <Filters {...{ wish, setWish, topic, setTopic, tasks }} />
        <ul aria-label={t('Patterns')} className="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-5">
          {shown.map((p) => (
            <PatternCard
              key={p.id}
              {...{ pattern: p, wardrobe, busy }}
              onBegin={() => void begin(p.id)}
              onRemove={p.of === 'mine' ? () => void remove(p.id) : null}
            />
          ))}
        </ul>
        {shown.length === 0 && (
          <p className="text-quiet">{t('None fits. Fewer words, or any task and kind, find more.')}</p>
        )}
      </main>
    </>
  )
}

const KIND_NAMES: Readonly<Record<string, Said>> = {
  '': said('Any kind'),
  ...Object.fromEntries(Object.entries(kinds).map(([id, k]) => [id, said(k.name)])),
}

type FiltersProps = Pick<Props, 'tasks'> & {
  readonly wish: Wish
  readonly setWish: (wish: Wish) => void
  readonly topic: string
  readonly setTopic: (topic: string) => void
}

/** What is looked for, and what the folio is going to be about. */
const Filters = ({ wish, setWish, topic, setTopic, tasks }: FiltersProps) => {
  const t = useWords()
  return (
    <div className="mb-6 flex flex-wrap items-center gap-2">
      <label className="relative w-64">
        <Search size={16} aria-hidden="true" className="absolute top-2 left-2.5 text-quiet" />
        <input
          className="field pl-8"
          type="search"
          aria-label={t('Search the patterns')}
          placeholder={t('Words')}
          value={wish.words}
          onChange={(e) => setWish({ ...wish, words: e.target.value })}
        />
      </label>
      <Choice
        {...{ label: t('Task'), shown: false, value: wish.task, className: 'w-64' }}
        among={{ '': t('Any task'), ...tasks }}
        onChange={(task) => setWish({ ...wish, task })}
      />
      <Choice
        {...{ label: t('Kind of figure'), shown: false, value: wish.kind, className: 'w-48' }}
        among={KIND_NAMES}
        onChange={(kind) => setWish({ ...wish, kind })}
      />
      <input
        className="field ml-auto w-64"
        aria-label={t('What it is about')}
        placeholder={t('About what? (its title)')}
        maxLength={200}
        value={topic}
        onChange={(e) => setTopic(e.target.value)}
      />
    </div>
  )
}
