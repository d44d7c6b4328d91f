import { join } from 'node:path'
import { root } from '../../support/application'

/** Where the server of the tests keeps its data and its secrets. */
export const FOLDER = join(root, '.test-data', 'integration')

/** The database with the demo in it, from which those of the test files are copied; a run begins without it. */
export const DEMO = 'zaffer_demo_loaded'
