/** Around every route for programs: the token, what it allows, how often. They come from no page, and need no origin. */
import { Refusal, refused } from '../answer'
import { secondsToWait } from '../rate'
import { askedWith, type Scope } from '../tokens'
import type { Person } from '../authorize'

export const programRoute =
  (scope: Scope, handle: (asked: { person: Person; request: Request }) => Promise<Response>) =>
  async (request: Request): Promise<Response> => {
    try {
      const secret = /^Bearer (\S+)$/.exec(request.headers.get('authorization') ?? '')?.[1]
      const asked = secret === undefined ? null : await askedWith(secret)
      if (!asked) throw new Refusal({ code: 'token-missing' })
      if (!asked.scopes.includes(scope)) throw new Refusal({ code: 'token-scope', scope })
      const seconds = secondsToWait('program', asked.person.id)
      if (seconds > 0) throw new Refusal({ code: 'too-many', seconds })
      return await handle({ person: asked.person, request })
    } catch (error) {
      return refused(error, request)
    }
  }
