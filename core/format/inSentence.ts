/**
 * Words that begin with a capital as they stand within a sentence: only “All …” is written small there, since every
 * other one is a name.
 *
 * @example inSentence('All 8 profiles') // 'all 8 profiles'
 */
export const inSentence = (words: string): string => words.replace(/^All(?= )/, 'all')
