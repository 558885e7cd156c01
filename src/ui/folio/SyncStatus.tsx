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
  const why = 'why' in sync ? sync.why : null
  return (
    <span
      role="status"
      data-sync={sync.is}
      className={`text-[13px] whitespace-nowrap ${w.look}`}
      title={why ?? w.title}
    >
      {w.text}
      {why !== null && <span className="ml-2">{why}</span>}
    </span>
  )
}
