/** Passwords as argon2id hashes (RFC 9106), with the costs that OWASP names for it. */
import { hash, verify } from '@node-rs/argon2'

/** KiB of memory, passes over it, lanes; argon2id is what the package does unless told otherwise. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const

export const MIN_PASSWORD = 12
export const MAX_PASSWORD = 200

export const hashed = (password: string): Promise<string> => hash(password, COST)

export const isPassword = (hash: string, password: string): Promise<boolean> => verify(hash, password)
