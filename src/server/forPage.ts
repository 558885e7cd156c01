import { problemOf } from './answer'
import { authorize, signedIn } from './authorize'
import { freshProjection } from './folioDocument'

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

/** The title of a folio that the person may read, null when there is none. */
export const titleForPage = (id: string): Promise<string | null> =>
  forPage(async () =>
    (await authorize(await signedIn(), 'read', id)) === 'allowed' ? (await freshProjection(id)).title : null,
  )
