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
      // it is gone, and can be brought back from now on, also where the page cannot be asked for anew
      say.done(message, async () => {
        await api(`${address}/restore`, { method: 'POST' })
        await refresh()
      })
      await refresh()
    } catch (problem) {
      say.problem(problem)
    }
  }
}
