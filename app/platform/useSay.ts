import { useToast } from 'primevue/usetoast'

/** Short messages: what was done, with a way back where there is one, and what went wrong. */
export function useSay() {
  const toast = useToast()
  return {
    done: (summary: string, undo?: () => Promise<unknown>) =>
      toast.add({ severity: 'success', summary, life: undo ? 9000 : 4000, ...(undo && { detail: { undo } as never }) }),
    problem: (error: unknown) => toast.add({ severity: 'error', summary: (error as Error).message, life: 12_000 }),
  }
}
