import { headers } from 'next/headers'
import { redirect } from 'next/navigation'
import { problemOf } from './answer'
import { standingOf, verdictOn, type Person } from './authorize'
import { freshProjection } from './folioDocument'
import { isShutOut, signedIn } from './people/signedIn'
import { folioRights, type FolioAction } from './rights'
import { noteOpened } from './shelves'

/** Work for a page. What goes wrong reaches the page that says so as its `digest`, which alone crosses over to the
 *  browser: the code of the problem. */
export async function forPage<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    const problem = problemOf(error)
    if (problem.code === 'server-fault') throw error
    throw Object.assign(new Error(problem.code, { cause: error }), { digest: problem.code })
  }
}

/** Who is here; who is not signed in is asked to, and comes back to `path`. */
export async function personForPage(path: string): Promise<Person> {
  const person = await forPage(async () => signedIn(await headers()))
  return person ?? redirect(`/sign-in?to=${encodeURIComponent(path)}`)
}

export type FolioForPage = {
  readonly person: Person
  readonly title: string
  /** What the person may do to it. */
  readonly may: readonly FolioAction[]
}

/** A folio that the person may read, null when there is none, and for a guest whose link has ended. */
export async function folioForPage(id: string, path: string): Promise<FolioForPage | null> {
  if (await forPage(async () => isShutOut(await headers()))) return null
  const person = await personForPage(path)
  return forPage(async () => {
    const standing = await standingOf(person, id)
    if (!standing || standing.deleted) return null
    const actions = Object.keys(folioRights) as FolioAction[]
    const may = actions.filter((action) => verdictOn(standing, action) === 'allowed')
    if (!may.includes('read')) return null
    await noteOpened(person.id, id)
    return { person, title: (await freshProjection(id)).title, may }
  })
}
