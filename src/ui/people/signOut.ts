import { send } from '../send'
import { goTo } from './goTo'

/** Out, and nothing of what one read stays in this browser: it may be somebody else's. */
export async function signOut(): Promise<void> {
  await send('POST', '/api/auth/sign-out', {})
  await forgetHere()
  goTo('/')
}

/** The copies of folios that this browser keeps, and what was typed last. */
export async function forgetHere(): Promise<void> {
  for (const key of Object.keys(localStorage)) if (key.startsWith('journal ')) localStorage.removeItem(key)
  const kept = await indexedDB.databases().catch(() => [])
  for (const { name } of kept) if (name?.startsWith('folio ')) indexedDB.deleteDatabase(name)
}
