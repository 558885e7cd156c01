'use client'

import { useEffect, useRef, useState, type Ref } from 'react'
import { Tick } from '../chrome/Tick'
import type { Place, Thread } from './threads'
import type { RemarkWork } from './useRemarks'
import { useWords } from '../words/words'

type Spot = {
  readonly place: Place
  /** What it is about, in words. */
  readonly about: string
  /** The words there now, where others could be proposed. */
  readonly present: string | null
}
type Props = Spot & {
  readonly remarks: RemarkWork
  /** Changes whenever somebody asks to write here. */
  readonly asked: number
}

/** A new remark at a place, with other words for what stands there where somebody proposes them. */
export function Composer({ remarks, asked, ...marked }: Props) {
  const t = useWords()
  const field = useRef<HTMLTextAreaElement>(null)
  const { words, proposed, place, about, present, write } = useDraft(marked)
  useEffect(() => {
    if (asked > 0) field.current?.focus()
  }, [asked])
  const proposal = proposalOf(present, proposed)
  const ready = words.trim() !== '' || proposal !== null
  const say = async () => {
    if (!(await remarks.say(place, words.trim() || t('I propose other words.'), proposal))) return
    write('', null)
  }
  return (
    <form
      aria-label={t('New remark')}
      className="flex flex-col gap-2 border-b border-rule px-4 py-3"
      onSubmit={(e) => {
        e.preventDefault()
        void say()
      }}
    >
      <p className="line-clamp-2 text-[13px] text-quiet">{t('On {about}', { about })}</p>
      <Words
        field={field}
        value={words}
        onChange={(next) => write(next, proposed)}
        onSend={() => ready && void say()}
      />
      {present !== null && (
        <Tick
          on={proposed !== null}
          says={t('Propose other words')}
          onChange={(on) => write(words, on ? present : null)}
        />
      )}
      {proposed !== null && (
        <textarea
          className="field min-h-14 resize-y"
          aria-label={t('The words you propose')}
          maxLength={4000}
          value={proposed}
          onChange={(e) => write(words, e.target.value)}
        />
      )}
      <div className="flex items-center gap-2">
        <Mention
          people={remarks.people}
          onPick={(name) => write(`${words.trimEnd()} @${name} `.trimStart(), proposed)}
        />
        <button type="submit" className="button-primary ml-auto" disabled={!ready}>
          {proposal ? t('Propose') : t('Remark')}
        </button>
      </div>
    </form>
  )
}

/** What is being written, and where it was begun: it stays there while one looks and marks elsewhere. */
function useDraft(marked: Spot) {
  const [words, setWords] = useState('')
  const [proposed, setProposed] = useState<string | null>(null)
  const [begun, begin] = useState<Spot | null>(null)
  const write = (next: string, other: string | null) => {
    setWords(next)
    setProposed(other)
    begin(next === '' && other === null ? null : (begun ?? marked))
  }
  return { words, proposed, write, ...(begun ?? marked) }
}

const proposalOf = (from: string | null, to: string | null): Thread['proposal'] =>
  from !== null && to !== null && from !== to ? { from, to } : null

type WordsProps = {
  readonly field: Ref<HTMLTextAreaElement>
  readonly value: string
  readonly onChange: (words: string) => void
  readonly onSend: () => void
}

const Words = ({ field, value, onChange, onSend }: WordsProps) => {
  const t = useWords()
  return (
    <textarea
      ref={field}
      className="field min-h-16 resize-y"
      aria-label={t('What you want to say')}
      placeholder={t('What should be looked at, and why')}
      maxLength={4000}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      onKeyDown={(e) => {
        if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) onSend()
      }}
    />
  )
}

type MentionProps = { readonly people: RemarkWork['people']; readonly onPick: (name: string) => void }

const Mention = ({ people, onPick }: MentionProps) => {
  const t = useWords()
  return people.length < 2 ? null : (
    <select
      aria-label={t('Mention somebody')}
      className="field w-36"
      value=""
      onChange={(e) => e.target.value && onPick(e.target.value)}
    >
      <option value="">{t('Mention …')}</option>
      {people.map((p) => (
        <option key={p.id} value={p.name}>
          {p.name}
        </option>
      ))}
    </select>
  )
}
