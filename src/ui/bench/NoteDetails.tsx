'use client'

import { changeNote, notesAbout, regionsOf, type About } from '@/core/document'
import { linksInOrder, nodesInOrder, type Figure } from '@/core/figure'
import { Row, Text } from './DetailFields'
import { regionName } from './gestures'
import type { Work } from './work'
import { useWords } from '../words/words'
import type { Tell } from '@/core/words'

/** What a note can speak of, by a name for the list. */
function subjects(f: Figure, t: Tell): { readonly key: string; readonly says: string; readonly about: About }[] {
  const words = (id: string) => f.nodes[id]?.text ?? ''
  return [
    { key: '', says: t('the whole figure'), about: null },
    ...nodesInOrder(f).map((n) => ({ key: n.id, says: n.text || '…', about: { part: n.id } })),
    ...linksInOrder(f).map((l) => ({
      key: l.id,
      says: `${words(l.from)} → ${words(l.to)}`,
      about: { part: l.id },
    })),
    ...regionsOf(f).map((r) => {
      const region = r.sets.map((s) => s.id)
      return { key: nameOf({ region }), says: t(regionName(f, region)), about: { region } }
    }),
  ]
}
const nameOf = (a: About): string =>
  a === null ? '' : 'part' in a ? a.part : `region ${a.region.toSorted().join(' ')}`

/** A selected note: its words, what it speaks of, where it stands. */
export function NoteDetails({ work }: { work: Work }) {
  const t = useWords()
  const { figure, selected, apply, actions } = work
  const note = figure.notes?.[selected?.id ?? '']
  if (!note) return null
  const choices = subjects(figure, t)
  return (
    <>
      <h2 className="font-semibold">{t('Note')}</h2>
      <Row label={t('Words')}>
        <Text
          key={`words ${note.id} ${note.text}`}
          label={t('Words of the note')}
          value={note.text}
          onChange={(text) => text && apply(changeNote(figure, note.id, { text }))}
        />
      </Row>
      <Row label={t('About')}>
        <select
          aria-label={t('What the note speaks of')}
          className="field"
          value={choices.some((c) => c.key === nameOf(note.about)) ? nameOf(note.about) : ''}
          onChange={(e) => {
            const about = choices.find((c) => c.key === e.target.value)?.about ?? null
            apply(changeNote(figure, note.id, { about, off: null }))
          }}
        >
          {choices.map((c) => (
            <option key={c.key} value={c.key}>
              {c.says}
            </option>
          ))}
        </select>
      </Row>
      <button type="button" className="button self-start" onClick={actions.removeSelected}>
        {t('Remove the note')}
      </button>
      <p className="text-[13px] text-quiet">
        {note.off ? (
          <>
            {t('It stays where you put it, beside what it speaks of.')}{' '}
            <button
              type="button"
              className="text-button"
              onClick={() => apply(changeNote(figure, note.id, { off: null }))}
            >
              {t('Let layout place it')}
            </button>
          </>
        ) : (
          t('Placed by layout, near what it speaks of. Drag it elsewhere; it never covers other words.')
        )}
      </p>
    </>
  )
}

/** The notes about what is selected, and a way to one more. */
export function Notes({ work, about }: { work: Work; about: About }) {
  const t = useWords()
  const own = notesAbout(work.figure, about)
  return (
    <section aria-label={t('Notes')} className="flex flex-col gap-1.5">
      {own.map((n) => (
        <button
          key={n.id}
          type="button"
          className="border-l-2 border-brass pl-2 text-left text-[13px] hover:bg-paper"
          onClick={() => work.select([{ kind: 'note', id: n.id }])}
        >
          {n.text || t('A note without words')}
        </button>
      ))}
      <button type="button" className="text-button self-start" onClick={work.actions.addNote}>
        {t('Add a note')}
      </button>
    </section>
  )
}
