/** Passkeys (W3C Web Authentication, level 2) as a plugin of `better-auth`, by `@simplewebauthn/server`: made by whoever is signed
 *  in, and enough to sign in with. A challenge is used once, within five minutes. */
import type { BetterAuthPlugin, GenericEndpointContext as Context } from 'better-auth'
import { APIError, createAuthEndpoint, sessionMiddleware } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server'
import { nanoid } from 'nanoid'
import { z } from 'zod'
import { database } from '../database'
import { audit } from './audit'
import { words } from '@/core/words'

const CHALLENGE_MS = 5 * 60_000
const MOST_PASSKEYS = 20
const COOKIE = 'compass.challenge'

/** What the authenticator checks: the site it is asked from. */
function site(ctx: Context): { readonly origin: string; readonly id: string } {
  const url = new URL(ctx.context.baseURL)
  return { origin: url.origin, id: url.hostname }
}

async function keepChallenge(ctx: Context, challenge: string): Promise<void> {
  const identifier = `challenge:${nanoid()}`
  const expiresAt = new Date(Date.now() + CHALLENGE_MS)
  await ctx.context.internalAdapter.createVerificationValue({ identifier, value: challenge, expiresAt })
  await ctx.setSignedCookie(COOKIE, identifier, ctx.context.secret, {
    ...{ httpOnly: true, sameSite: 'strict', path: '/api/auth', maxAge: CHALLENGE_MS / 1000 },
    secure: ctx.context.baseURL.startsWith('https:'),
  })
}

/** Used once: whoever comes second finds none. */
async function takeChallenge(ctx: Context): Promise<string> {
  const identifier = await ctx.getSignedCookie(COOKIE, ctx.context.secret)
  const found = identifier ? await ctx.context.internalAdapter.consumeVerificationValue(identifier) : null
  if (!found) throw refusal(words('This took longer than five minutes, or was used before. Try again.'))
  return found.value
}

const refusal = (message: string) => new APIError('BAD_REQUEST', { message })
const answered = z.record(z.string(), z.unknown())

const options = createAuthEndpoint('/passkey/options', { method: 'POST', use: [sessionMiddleware] }, async (ctx) => {
  const { user } = ctx.context.session
  const known = await passkeysOf(user.id)
  if (known.length >= MOST_PASSKEYS) throw refusal(words('Twenty passkeys are enough: remove one first.'))
  const made = await generateRegistrationOptions({
    ...{ rpName: 'Idle Compass', rpID: site(ctx).id, userName: user.email, userDisplayName: user.name },
    userID: new TextEncoder().encode(user.id),
    attestationType: 'none',
    excludeCredentials: known.map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  })
  await keepChallenge(ctx, made.challenge)
  return ctx.json(made)
})

const newPasskey = z.object({ name: z.string().trim().min(1).max(60), response: answered })
const add = createAuthEndpoint(
  '/passkey/add',
  { method: 'POST', use: [sessionMiddleware], body: newPasskey },
  async (ctx) => {
    const { user } = ctx.context.session
    const { registrationInfo: made, verified } = await verifyRegistrationResponse({
      response: ctx.body.response as unknown as RegistrationResponseJSON,
      ...{ expectedChallenge: await takeChallenge(ctx), expectedOrigin: site(ctx).origin },
      ...{ expectedRPID: site(ctx).id, requireUserVerification: true },
    }).catch(() => ({ verified: false, registrationInfo: undefined }))
    if (!verified || !made) throw refusal(words('The passkey could not be checked. Try again.'))
    const { id, publicKey, counter, transports } = made.credential
    await database()
      .insertInto('passkey')
      .values({
        ...{ id, account_id: user.id, name: ctx.body.name, public_key: Buffer.from(publicKey), counter },
        transports: transports ? JSON.stringify(transports) : null,
      })
      .execute()
    await audit({ what: 'passkey-added', by: user.id, about: { name: ctx.body.name } })
    return ctx.json({ id })
  },
)

const signInOptions = createAuthEndpoint('/passkey/sign-in/options', { method: 'POST' }, async (ctx) => {
  const made = await generateAuthenticationOptions({ rpID: site(ctx).id, userVerification: 'required' })
  await keepChallenge(ctx, made.challenge)
  return ctx.json(made)
})

const signIn = createAuthEndpoint(
  '/passkey/sign-in',
  { method: 'POST', body: z.object({ response: answered }) },
  async (ctx) => {
    const response = ctx.body.response as unknown as AuthenticationResponseJSON
    const challenge = await takeChallenge(ctx)
    const key = await database()
      .selectFrom('passkey')
      .selectAll()
      .where('id', '=', String(response.id))
      .executeTakeFirst()
    if (!key) throw refusal(words('This passkey is not known here any more. Sign in with your password.'))
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response,
      ...{ expectedChallenge: challenge, expectedOrigin: site(ctx).origin, expectedRPID: site(ctx).id },
      requireUserVerification: true,
      credential: { id: key.id, publicKey: new Uint8Array(key.public_key), counter: Number(key.counter) },
    }).catch(() => ({ verified: false, authenticationInfo: undefined }))
    const user = verified ? await ctx.context.internalAdapter.findUserById(key.account_id) : null
    if (!user || !authenticationInfo) throw refusal(words('The passkey could not be checked. Try again.'))
    await database()
      .updateTable('passkey')
      .set({ counter: authenticationInfo.newCounter, used_at: new Date() })
      .where('id', '=', key.id)
      .execute()
    const session = await ctx.context.internalAdapter.createSession(user.id)
    await setSessionCookie(ctx, { session, user })
    return ctx.json({ signedIn: true })
  },
)

export const passkeys = () =>
  ({
    id: 'passkeys',
    endpoints: { passkeyOptions: options, passkeyAdd: add, passkeySignInOptions: signInOptions, passkeySignIn: signIn },
  }) satisfies BetterAuthPlugin

export const passkeysOf = (account: string) =>
  database()
    .selectFrom('passkey')
    .select(['id', 'name', 'made_at', 'used_at'])
    .where('account_id', '=', account)
    .orderBy('made_at')
    .execute()

export async function removePasskey(account: string, id: string): Promise<boolean> {
  const done = await database()
    .deleteFrom('passkey')
    .where('account_id', '=', account)
    .where('id', '=', id)
    .executeTakeFirst()
  if (done.numDeletedRows === 0n) return false
  await audit({ what: 'passkey-removed', by: account })
  return true
}
