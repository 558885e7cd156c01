import type { SyncState } from '@/sync/folioConnection'
import { said, type Said } from '@/core/words'
import { useWords } from '../words/words'

const words: Record<SyncState['is'], { text: Said; look: string; title: Said | null }> = {
  connecting: { text: said('Opening …'), look: 'text-quiet', title: said('Fetching the newest state') },
  saving: { text: said('Saving …'), look: 'text-quiet', title: said('Your last change is on its way to the server') },
  saved: { text: said('Saved'), look: 'text-moss', title: said('Every change is on the server') },
  offline: {
    text: said('Not on the server yet: kept here'),
    look: 'text-brass-text',
    title: said('Your changes are kept in this browser and go out when the server answers again'),
  },
  refused: { text: said('Not saved'), look: 'text-needle', title: null },
}

/** Whether what one sees is on the server: said only when it is so. */
export function SyncStatus({ sync }: { sync: SyncState }) {
  const t = useWords()
  const w = words[sync.is]
  return (
    <span
      role="status"
      data-sync={sync.is}
      className={`text-[13px] whitespace-nowrap ${w.look}`}
      title={w.title ? t(w.title) : undefined}
    >
      {t(w.text)}
    </span>
  )
}

/** What the server said when it did not take a change: a line of its own, below the top line. */
export function SyncSentence({ sync }: { sync: SyncState }) {
  const why = 'why' in sync ? sync.why : null
  if (why === null) return null
  return (
    <p
      role="alert"
      className={`border-b border-rule px-5 py-1.5 text-[13px] ${sync.is === 'refused' ? 'bg-needle-wash text-ink' : 'bg-page text-brass-text'}`}
    >
      {why}
    </p>
  )
}
