/** One thing at a time that may go wrong: whether it is under way, and the sentence that says what went wrong. */
export function useAttempt() {
  const problem = ref('')
  const isBusy = ref(false)
  /** @returns whether it went well */
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    problem.value = ''
    isBusy.value = true
    try {
      await work()
      return true
    } catch (error) {
      problem.value = (error as Error).message
      return false
    } finally {
      isBusy.value = false
    }
  }
  return { problem, isBusy, attempt }
}
