import path from 'node:path'

/** A file that ships with the application, beside its code. */
export const shippedFile = (name: string): string => path.join(process.env.IDLE_COMPASS_HOME ?? process.cwd(), name)
