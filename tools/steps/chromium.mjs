import { existsSync } from 'node:fs'

/** Chromium that draws pages and nothing around them, as Debian installs it: it takes half the work of the whole one. */
export const SHELL = '/usr/lib/chromium/chromium-headless-shell'
const WHOLE = '/usr/bin/chromium'

/** Which Chromium prints editions and runs browser tests: the one that is named, else the shell, else the whole. */
export const chromiumPath = () =>
  process.env.ZAFFER_CHROMIUM ?? (existsSync(SHELL) || !existsSync(WHOLE) ? SHELL : WHOLE)
