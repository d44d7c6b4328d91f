/** A short message: what was done, with a way back where there is one, or what went wrong. */
export interface Said {
  severity: 'success' | 'error'
  summary: string
  /** How long it stands there, in milliseconds. */
  life: number
  undo?: () => Promise<unknown>
}

/** Short messages: what was done, with a way back where there is one, and what went wrong. */
export function useSay() {
  const shell = useShell()
  return {
    done: (summary: string, undo?: () => Promise<unknown>) =>
      shell.say({ severity: 'success', summary, life: undo ? 9000 : 4000, ...(undo && { undo }) }),
    problem: (error: unknown) => shell.say({ severity: 'error', summary: (error as Error).message, life: 12_000 }),
  }
}
