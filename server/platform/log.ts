import { pino } from 'pino'

/** The log of the application, as JSON lines on standard output. */
export const log = pino({ level: process.env.ZAFFER_LOG ?? 'warn', base: null })
