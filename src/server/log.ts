import pino from 'pino'

/** One JSON line per event on standard output; never the words of a manuscript. */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'info', base: { process: process.pid } })
