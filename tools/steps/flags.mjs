/**
 * How Node is started for the application. A question over hundreds of profiles makes megabytes of short-lived rows:
 * with room for them they are thrown away as a whole, where a few megabytes are copied about again and again.
 */
export const APPLICATION_FLAGS = ['--max-semi-space-size=64']

/** The worker reads files a part at a time, and stays small whatever they hold. */
export const WORKER_FLAGS = ['--max-old-space-size=256']

/** What builds and checks makes short-lived things too: a tenth of its time goes to copying them about. */
export const BUILD_FLAGS = ['--max-semi-space-size=64']

/** Where the programs are that run beside the application, bundled; the server finds them there too. */
export const PROGRAMS_FOLDER = '.output/programs'

/** Where a program is once it was bundled, from the root of the house. */
export const programOf = (source) => `${PROGRAMS_FOLDER}/${source.replace(/\.ts$/, '.mjs')}`
