/** How this installation is run: `local` opens at once as the demo person; `team` asks everybody to sign in. */
import { z } from 'zod'

const environment = z.object({
  IDLE_COMPASS_MODE: z.enum(['local', 'team']).default('local'),
  /** Who may make an account by themselves: those who are invited, or everybody. */
  IDLE_COMPASS_SIGN_UP: z.enum(['invited', 'open']).default('invited'),
  /** Hints at the first use of a place; off where many use one account. */
  IDLE_COMPASS_HINTS: z.enum(['on', 'off']).default('on'),
  PUBLIC_ADDRESS: z.url().optional(),
  AUTH_SECRET: z.string().min(32).optional(),
  OIDC_ISSUER: z.url().optional(),
  OIDC_CLIENT_ID: z.string().optional(),
  OIDC_CLIENT_SECRET: z.string().optional(),
  OIDC_NAME: z.string().default('Single sign-on'),
  SMTP_URL: z.url().optional(),
  MAIL_FROM: z.string().default('Idle Compass <idle-compass@localhost>'),
})

export type Installation = z.infer<typeof environment>

/** Throws with what is wrong with a setting: a server that guesses at who may sign in is worse than none. */
export const installation = (): Installation => environment.parse(process.env)

export const isLocal = (): boolean => installation().IDLE_COMPASS_MODE === 'local'
