/** The database with the demo in it, from which those of the test files are copied; a run begins without it. */
export const DEMO = 'zaffer_demo_loaded'
