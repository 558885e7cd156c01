import type { SyncState } from '@/sync/folioConnection'

const words: Record<SyncState['is'], { text: string; look: string; title: string }> = {
  connecting: { text: 'Opening …', look: 'text-quiet', title: 'Fetching the newest state' },
  saving: { text: 'Saving …', look: 'text-quiet', title: 'Your last change is on its way to the server' },
  saved: { text: 'Saved', look: 'text-moss', title: 'Every change is on the server' },
  offline: {
    text: 'Not on the server yet: kept here',
    look: 'text-brass-text',
    title: 'Your changes are kept in this browser and go out when the server answers again',
  },
  refused: { text: 'Not saved', look: 'text-needle', title: '' },
}

/** Whether what one sees is on the server: said only when it is so. */
export function SyncStatus({ sync }: { sync: SyncState }) {
  const w = words[sync.is]
  return (
    <span role="status" data-sync={sync.is} className={`text-[13px] whitespace-nowrap ${w.look}`} title={w.title}>
      {w.text}
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
