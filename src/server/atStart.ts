/** What is done beside the work of a server: when it starts, and every hour after. */
import { log } from './log'
import { deliverWaiting } from './people/mail'
import { clearTeams } from './people/teams'
import { clearBin, projectStale } from './shelves'

const HOUR_MS = 60 * 60_000
const AFTER_MS = 3000
/** At one go; the rest an hour later, or when somebody searches. */
const MOST_STALE = 5000

export function atStart(): void {
  const chores = { deliverWaiting, clearTeams, clearBin, projectStale: () => projectStale(MOST_STALE) }
  const all = async () => {
    for (const [name, work] of Object.entries(chores))
      await work().catch((error: unknown) => log.warn({ chore: name, error: String(error) }, 'a chore was not done'))
  }
  setTimeout(() => void all(), AFTER_MS).unref()
  setInterval(() => void all(), HOUR_MS).unref()
}
