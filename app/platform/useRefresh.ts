import { answersAbout, type Topic } from './topics'

/** Asks anew for every answer that shows what was changed; one that is on no page is asked for when it is. */
export function useRefresh(): (...topics: Topic[]) => Promise<void> {
  const cache = useQueryCache()
  return async (...topics) => {
    await Promise.all(answersAbout(topics).map((answer) => cache.invalidateQueries({ key: [answer] })))
  }
}
