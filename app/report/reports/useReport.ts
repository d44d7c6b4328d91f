import { draftDifferences, joinDrafts } from '~~/core/reports/joinDrafts'
import { declarationOf, type Block } from '~~/shared/report/blocks'
import { reportSchema } from '~~/shared/report/reports'
import type { ReportContent } from '~~/shared/report/reportContent'
import type { Report } from '~~/shared/report/reports'
import type { ValidationError } from 'yup'

interface Draft {
  title: string
  period: string
  against: string
  blocks: Block[]
}
/** A draft as the browser keeps it, with what it was made from. */
interface Kept {
  draft: Draft
  base: Draft
  version: number
}
type Opened = { report: Report; content: ReportContent | null; problem?: string }

/** How a draft stands: kept on the server, or why not yet. */
export type DraftState = 'saved' | 'changed' | 'saving' | 'offline' | 'refused' | 'two versions'

const SAVE_AFTER_MS = 700
/** How long it is until a lost line is tried again: at first, and at the most. */
const RETRY_MS = { first: 2000, longest: 30_000 }

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const draftOf = ({ title, period, against, blocks }: Report): Draft => copy({ title, period, against, blocks })

/**
 * A report that is being worked on. What is typed is kept at once in the browser and soon on the server; it can be
 * undone step by step, and is filled with live figures. Nothing that was typed is lost: not without a line, not when it
 * is too long, and not when somebody else has changed the report meanwhile.
 */
export function useReport(id: Ref<string>) {
  const { slug, base } = useClient()
  const refresh = useRefresh()
  const draft = ref<Draft>()
  const content = ref<ReportContent>()
  const editions = ref(0)
  const state = ref<DraftState>('saved')
  const problem = ref('')
  /** What the server has, from which the draft was made. */
  const saved = shallowRef<{ draft: Draft; version: number }>()
  /** What somebody else has made of it meanwhile. */
  const theirs = shallowRef<{ draft: Draft; version: number }>()
  const address = computed(() => `${base.value}/reports/${id.value}`)
  const place = computed(() => `zaffer:draft:${slug.value}:${id.value}`)
  const { undo, redo, canUndo, canRedo, commit, clear } = useManualRefHistory(draft, {
    clone: (value) => (value ? copy(value) : value),
    capacity: 100,
  })

  function keepInBrowser() {
    if (!draft.value || !saved.value) return
    try {
      localStorage.setItem(
        place.value,
        JSON.stringify({ draft: draft.value, base: saved.value.draft, version: saved.value.version } satisfies Kept),
      )
    } catch {
      // a browser that keeps nothing: the page says itself that it is not saved yet
    }
  }
  function keptInBrowser(): Kept | undefined {
    try {
      return (JSON.parse(localStorage.getItem(place.value) ?? 'null') as Kept | null) ?? undefined
    } catch {
      return undefined
    }
  }
  const forget = () => localStorage.removeItem(place.value)

  async function open() {
    const opened = await api<Opened>(address.value)
    saved.value = { draft: draftOf(opened.report), version: opened.report.version }
    draft.value = draftOf(opened.report)
    content.value = opened.content ?? undefined
    problem.value = opened.problem ?? ''
    editions.value = opened.report.editions
    commit()
    clear()
    bringBack()
  }

  /** What was typed before and has not reached the server comes back. */
  function bringBack() {
    const kept = keptInBrowser()
    if (!kept || JSON.stringify(kept.draft) === JSON.stringify(draft.value)) return forget()
    draft.value = kept.draft
    commit()
    if (kept.version === saved.value!.version) return later()
    theirs.value = saved.value
    saved.value = { draft: kept.base, version: kept.version }
    state.value = 'two versions'
  }

  let isSaving = false
  let again = false
  async function save() {
    if (state.value === 'two versions') return
    if (isSaving) return void (again = true)
    const sent = copy(draft.value!)
    const fault = faultOf(sent)
    if (fault) {
      problem.value = fault
      state.value = 'refused'
      return
    }
    isSaving = true
    state.value = 'saving'
    try {
      const { version } = await api<{ version: number }>(address.value, {
        method: 'PUT',
        body: { ...sent, version: saved.value!.version },
      })
      saved.value = { draft: sent, version }
      problem.value = ''
      retryMs = RETRY_MS.first
      if (JSON.stringify(sent) === JSON.stringify(draft.value)) {
        forget()
        state.value = 'saved'
      } else {
        keepInBrowser()
        later()
      }
      void refill()
    } catch (error) {
      await trouble(error as ApiProblem)
    } finally {
      isSaving = false
      if (again) {
        again = false
        later()
      }
    }
  }
  /** The figures of what is saved now; they are no reason to call it unsaved. */
  async function refill() {
    const filled = await api<Opened>(address.value).catch(() => undefined)
    if (filled) content.value = filled.content ?? undefined
    await refresh('reports')
  }

  let retryMs = RETRY_MS.first
  async function trouble(error: ApiProblem) {
    problem.value = error.message
    if (error.status === 409) return await seeTheirs()
    if (error.status !== 0 && error.status !== 503) return void (state.value = 'refused')
    state.value = 'offline'
    problem.value = ''
    window.setTimeout(() => state.value === 'offline' && void save(), retryMs)
    retryMs = Math.min(RETRY_MS.longest, retryMs * 2)
  }
  useEventListener('online', () => state.value === 'offline' && void save())

  async function seeTheirs() {
    try {
      const { report } = await api<Opened>(address.value)
      theirs.value = { draft: draftOf(report), version: report.version }
      state.value = 'two versions'
      problem.value = ''
    } catch (error) {
      problem.value = (error as Error).message
      state.value = 'refused'
    }
  }
  const differences = computed(() =>
    theirs.value && draft.value
      ? draftDifferences<Block>(
          draft.value,
          theirs.value.draft,
          (block) => block.title || declarationOf(block.kind).name,
        )
      : [],
  )
  /** Goes on with one of two versions, or with both put together; the other one is one step back. */
  function settle(how: 'mine' | 'theirs' | 'join') {
    commitTyped()
    const other = theirs.value!
    const joined =
      how === 'theirs'
        ? copy(other.draft)
        : how === 'join'
          ? joinDrafts(saved.value!.draft, draft.value!, other.draft)
          : draft.value!
    saved.value = other
    theirs.value = undefined
    draft.value = joined
    commit()
    later()
  }

  const soon = useDebounceFn(() => void save(), SAVE_AFTER_MS)
  function later() {
    keepInBrowser()
    if (state.value !== 'two versions' || !theirs.value) state.value = 'changed'
    void soon()
  }

  /** Which text is being typed: letters of one text are one step back, not one each. */
  let typing = ''
  const commitTyped = () => {
    if (typing) commit()
    typing = ''
  }
  const commitSoon = useDebounceFn(commitTyped, 1500)
  /**
   * Changes the report, as one step that can be undone.
   *
   * @param field  the text that is being typed into, letter by letter
   */
  function change(work: (draft: Draft) => void, field = '') {
    if (!draft.value) return
    if (typing && typing !== field) commitTyped()
    const next = copy(draft.value)
    work(next)
    draft.value = next
    typing = field
    if (field) void commitSoon()
    else commit()
    later()
  }
  function step(back: boolean) {
    commitTyped()
    if (back) undo()
    else redo()
    later()
  }
  /** Waits until what is on the screen is on the server. */
  async function settled() {
    commitTyped()
    if (state.value === 'changed') await save()
    await until(state).not.toMatch((now) => now === 'changed' || now === 'saving')
    if (state.value !== 'saved')
      throw new Error(problem.value || 'It is not saved yet. Wait until it is, then try again.')
  }
  useEventListener('beforeunload', (event: BeforeUnloadEvent) => state.value !== 'saved' && event.preventDefault())
  return {
    draft,
    content,
    editions,
    state,
    problem,
    theirs,
    differences,
    canUndo,
    canRedo,
    open,
    save,
    change,
    step,
    settle,
    settled,
  }
}

/** What the server would not take, in a sentence that names the part. */
function faultOf(draft: Draft): string | undefined {
  try {
    reportSchema.validateSync({ ...draft, version: 0 })
    return undefined
  } catch (error) {
    const { path = '', message } = error as ValidationError
    const block = /^blocks\[(\d+)\]/.exec(path)?.[1]
    return block === undefined ? message : `Block ${Number(block) + 1}: ${message}`
  }
}
