import type { Block } from '~~/shared/scope'
import type { ReportContent } from '~~/server/reports/content'
import type { Report } from '~~/server/reports/reports'

interface Draft {
  title: string
  period: string
  against: string
  blocks: Block[]
}

/** A report that is being worked on: what is on the screen is saved by itself, can be undone step by step, and is filled with live figures. */
export function useReport(id: Ref<string>) {
  const { base } = useClient()
  const cache = useQueryCache()
  const draft = ref<Draft>()
  const content = ref<ReportContent>()
  const version = ref(0)
  const editions = ref(0)
  const state = ref<'saved' | 'saving' | 'changed' | 'trouble'>('saved')
  const problem = ref('')
  const address = computed(() => `${base.value}/reports/${id.value}`)
  const { undo, redo, canUndo, canRedo, commit, clear } = useManualRefHistory(draft, { clone: (value) => (value ? JSON.parse(JSON.stringify(value)) as Draft : value), capacity: 100 })

  async function open() {
    const opened = await api<{ report: Report; content: ReportContent | null; problem?: string }>(address.value)
    const { title, period, against, blocks } = opened.report
    draft.value = { title, period, against, blocks }
    content.value = opened.content ?? undefined
    problem.value = opened.problem ?? ''
    version.value = opened.report.version
    editions.value = opened.report.editions
    commit()
    clear()
  }

  let isSaving = false
  let again = false
  async function save() {
    if (isSaving) return void (again = true)
    isSaving = true
    state.value = 'saving'
    try {
      const saved = await api<{ version: number }>(address.value, { method: 'PUT', body: { ...draft.value, version: version.value } })
      version.value = saved.version
      content.value = (await api<{ content: ReportContent | null }>(address.value)).content ?? undefined
      problem.value = ''
      state.value = again ? 'changed' : 'saved'
      await cache.invalidateQueries({ key: ['reports'] })
    } catch (error) {
      problem.value = (error as Error).message
      state.value = 'trouble'
    } finally {
      isSaving = false
      if (again) {
        again = false
        void save()
      }
    }
  }
  const saveSoon = useDebounceFn(save, 500)

  /** Changes the report, as one step that can be undone. */
  function change(work: (draft: Draft) => void) {
    if (!draft.value) return
    const next = JSON.parse(JSON.stringify(draft.value)) as Draft
    work(next)
    draft.value = next
    commit()
    state.value = 'changed'
    void saveSoon()
  }
  function step(back: boolean) {
    if (back) undo()
    else redo()
    state.value = 'changed'
    void saveSoon()
  }
  /** Waits until what is on the screen is kept. */
  async function settled() {
    if (state.value === 'changed') await save()
    await until(state).toMatch((now) => now === 'saved' || now === 'trouble')
    if (state.value === 'trouble') throw new Error(problem.value)
  }
  return { draft, content, editions, state, problem, canUndo, canRedo, open, save, change, step, settled }
}
