/** Signing in, by `better-auth` over our own tables: passwords, sessions, mails that set a new password, passkeys, single
 *  sign-on where a deployment names it. */
import { betterAuth } from 'better-auth'
import { createAuthMiddleware } from 'better-auth/api'
import { genericOAuth } from 'better-auth/plugins'
import { nanoid } from 'nanoid'
import { database } from '../database'
import { log } from '../log'
import { told as tellPerson, topicOf } from '../notices'
import { audit } from './audit'
import { guestDoor } from './guestDoor'
import { sendMail } from './mail'
import { installation, type Installation } from './mode'
import { passkeys } from './passkeys'
import { MAX_PASSWORD, MIN_PASSWORD, hashed, isPassword } from './passwords'
import { said } from '@/core/words'

const DAY = 24 * 60 * 60
const SESSION = { life: 30 * DAY, fresh: 10 * 60 } as const
const RESET_SECONDS = 60 * 60

/** The one of the installation, unless a deployment names its own. */
async function secret(): Promise<string> {
  const own = installation().AUTH_SECRET
  if (own) return own
  const row = await database()
    .selectFrom('installation')
    .select('value')
    .where('name', '=', 'secret')
    .executeTakeFirstOrThrow()
  return row.value
}

const times = { createdAt: 'created_at', updatedAt: 'changed_at' } as const

const tables = {
  user: {
    modelName: 'account',
    fields: { ...times, emailVerified: 'email_verified' },
    additionalFields: { kind: { type: 'string', input: false, defaultValue: 'member' } },
  },
  session: {
    modelName: 'session',
    fields: {
      ...{ ...times, expiresAt: 'expires_at', userId: 'account_id' },
      ...{ ipAddress: 'ip_address', userAgent: 'user_agent' },
    },
    expiresIn: SESSION.life,
    // It ends when it ends: nothing but its own route could send a longer one back.
    disableSessionRefresh: true,
    freshAge: SESSION.fresh,
  },
  account: {
    modelName: 'sign_in',
    fields: {
      ...{ ...times, accountId: 'subject', providerId: 'provider', userId: 'account_id' },
      ...{ accessToken: 'access_token', refreshToken: 'refresh_token', idToken: 'id_token' },
      accessTokenExpiresAt: 'access_token_expires_at',
      refreshTokenExpiresAt: 'refresh_token_expires_at',
    },
    encryptOAuthTokens: true,
  },
  verification: { modelName: 'verification', fields: { ...times, expiresAt: 'expires_at' } },
} as const

const passwords = {
  enabled: true,
  minPasswordLength: MIN_PASSWORD,
  maxPasswordLength: MAX_PASSWORD,
  password: {
    hash: hashed,
    verify: ({ hash, password }: { hash: string; password: string }) => isPassword(hash, password),
  },
  resetPasswordTokenExpiresIn: RESET_SECONDS,
  revokeSessionsOnPasswordReset: true,
  sendResetPassword: async ({ user, token }: { user: { email: string }; token: string }) => {
    const words = said(
      'Somebody, you we hope, asked to set a new password for this address.\n\n{address}\n\nThe address is good for an hour. If it was not you, nothing has changed: let this mail be.',
      { address: `${publicAddress()}/sign-in/password?token=${token}` },
    )
    await sendMail({ to: user.email, subject: said('A new password for Idle Compass'), words })
  },
  onPasswordReset: async ({ user }: { user: { id: string } }) => {
    await audit({ what: 'password-changed', by: user.id })
    await tellPerson(topicOf(user.id), { is: 'rights' })
  },
}

/** Single sign-on (OpenID Connect Core 1.0), where a deployment names its issuer. */
function houseSignOn(set: Installation) {
  if (!set.OIDC_ISSUER || !set.OIDC_CLIENT_ID) return []
  return [
    genericOAuth({
      config: [
        {
          providerId: 'house',
          clientId: set.OIDC_CLIENT_ID,
          ...(set.OIDC_CLIENT_SECRET ? { clientSecret: set.OIDC_CLIENT_SECRET } : {}),
          discoveryUrl: `${set.OIDC_ISSUER.replace(/\/$/, '')}/.well-known/openid-configuration`,
          scopes: ['openid', 'email', 'profile'],
          pkce: true,
          disableImplicitSignUp: set.IDLE_COMPASS_SIGN_UP !== 'open',
        },
      ],
    }),
  ]
}

const make = (key: string) => {
  const set = installation()
  const address = set.PUBLIC_ADDRESS
  return betterAuth({
    appName: 'Idle Compass',
    secret: key,
    basePath: '/api/auth',
    baseURL: address ?? { allowedHosts: ['localhost:*', '127.0.0.1:*', '[::1]:*'], protocol: 'http' },
    database: { db: database(), type: 'postgres' },
    telemetry: { enabled: false },
    logger: { log: (level, message) => log[level === 'debug' ? 'info' : level]({ from: 'sign-in' }, message) },
    ...tables,
    emailAndPassword: passwords,
    // Counted before it comes here, per account and address.
    rateLimit: { enabled: false },
    advanced: {
      cookiePrefix: 'compass',
      useSecureCookies: address?.startsWith('https:') ?? false,
      ipAddress: { ipAddressHeaders: ['x-came-from'] },
      database: { generateId: () => nanoid() },
    },
    hooks: { after: createAuthMiddleware(async ({ context, path }) => told(path, context.newSession?.user.id)) },
    plugins: [passkeys(), guestDoor(), ...houseSignOn(set)],
  })
}

const SIGNS_IN = /^\/(?:sign-in\/|passkey\/sign-in|oauth2\/callback)/
async function told(path: string, person: string | undefined): Promise<void> {
  if (person && SIGNS_IN.test(path)) await audit({ what: 'signed-in', by: person })
}

/** Where links lead: to the address of the installation, else to the one that was asked at, else to this machine. */
export const publicAddress = (request?: Request): string =>
  installation().PUBLIC_ADDRESS ??
  (request ? new URL(request.url).origin : `http://localhost:${process.env.PORT ?? 4100}`)

export type Auth = ReturnType<typeof make>
const held = globalThis as typeof globalThis & { compassAuth?: Promise<Auth> }

export function auth(): Promise<Auth> {
  held.compassAuth ??= secret().then(make)
  // A database that was away then may be there now.
  held.compassAuth.catch(() => delete held.compassAuth)
  return held.compassAuth
}
