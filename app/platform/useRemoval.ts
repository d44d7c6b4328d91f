/**
 * Removes a thing and says so, with a way back: every thing that can be removed answers DELETE at its address and POST
 * at its /restore.
 *
 * @param refresh  asks again for what has changed
 */
export function useRemoval(refresh: () => unknown) {
  const say = useSay()
  return async (address: string, message: string): Promise<void> => {
    try {
      await api(address, { method: 'DELETE' })
      try {
        await refresh()
      } finally {
        // it is gone, and can be brought back, also where the page could not be asked for anew
        say.done(message, async () => {
          await api(`${address}/restore`, { method: 'POST' })
          await refresh()
        })
      }
    } catch (problem) {
      say.problem(problem)
    }
  }
}
