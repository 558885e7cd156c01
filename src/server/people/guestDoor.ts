/** The door of guest links, as a plugin of `better-auth`: whoever has no session gets a person of their own, with the name they
 *  give, and a session like everybody's; whoever has one comes as who they are. */
import type { BetterAuthPlugin } from 'better-auth'
import { APIError, createAuthEndpoint, getSessionFromCtx } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'
import { nanoid } from 'nanoid'
import { z } from 'zod'
import { database } from '../database'
import { audit } from './audit'
import { doorOf, letIn } from './guestLinks'
import { isPassword } from './passwords'
import { words } from '@/core/words'

const body = z.object({
  token: z.string().max(64),
  name: z.string().trim().min(1).max(60).optional(),
  password: z.string().max(200).optional(),
})

export const guestDoor = () =>
  ({
    id: 'guest-door',
    endpoints: {
      enterAsGuest: createAuthEndpoint('/guest/enter', { method: 'POST', body }, async (ctx) => {
        const { token, name, password } = ctx.body
        const door = await doorOf(token)
        if (!door)
          throw new APIError('NOT_FOUND', { message: words('This link is not good any more. Ask for a new one.') })
        if (door.password !== null && !(await isPassword(door.password, password ?? ''))) {
          await audit({ what: 'link-refused', by: null, folio: door.folio, link: door.id })
          throw new APIError('FORBIDDEN', { message: words('That is not the password of this link.') })
        }
        const known = await getSessionFromCtx(ctx)
        if (known) {
          await letIn(known.user.id, door)
          return ctx.json({ folio: door.folio })
        }
        if (name === undefined) throw new APIError('BAD_REQUEST', { message: words('Say what you are called.') })
        const id = nanoid()
        await database().insertInto('account').values({ id, name, kind: 'guest' }).execute()
        const user = await ctx.context.internalAdapter.findUserById(id)
        const session = await ctx.context.internalAdapter.createSession(id)
        if (!user) throw new Error('people: a guest who was just made is not there')
        await setSessionCookie(ctx, { session, user })
        await letIn(id, door)
        return ctx.json({ folio: door.folio })
      }),
    },
  }) satisfies BetterAuthPlugin
