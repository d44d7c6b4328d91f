import { addDays } from '~~/core/days/day'
import { clockOf } from './calendarWords'
import { isMovable, type ShownEntry } from './shownEntries'

const [STEP, DAY_MINUTES] = [15, 1440]

/** Moving planned posts to other times: by hand, by keys, many at once, each with a way back. */
export function usePlanMoves(refresh: () => Promise<unknown>) {
  const say = useSay()
  const { base } = useClient()
  const isBusy = ref(false)

  async function run(work: () => Promise<unknown>, done: string, undo?: () => Promise<unknown>) {
    isBusy.value = true
    try {
      await work()
      await refresh()
      say.done(
        done,
        undo &&
          (async () => {
            await undo()
            await refresh()
          }),
      )
    } catch (problem) {
      say.problem(problem)
      await refresh()
    }
    isBusy.value = false
  }
  const place = (id: string, at: string) => api(`${base.value}/plan/posts/${id}/time`, { method: 'PUT', body: { at } })

  /** Puts a post on a day, at a time of the day in minutes; the time that it has, where none is said. */
  async function put(entry: ShownEntry, day: string, minutes = entry.minutes): Promise<void> {
    if (!isMovable(entry)) return
    const rounded = Math.min(DAY_MINUTES - STEP, Math.max(0, Math.round(minutes / STEP) * STEP))
    const exact = minutes === entry.minutes ? minutes : rounded
    if (day === entry.day && exact === entry.minutes) return
    await run(
      () => place(entry.id, `${day}T${clockOf(exact)}`),
      `Moved to ${day === entry.day ? '' : `${day}, `}${clockOf(exact)}.`,
      () => place(entry.id, `${entry.day}T${clockOf(entry.minutes)}`),
    )
  }
  /** Alt and the arrows move the post that has the focus: by a day, by a quarter of an hour, or by a week in a month. */
  function byKey(event: KeyboardEvent, entry: ShownEntry, isMonth: boolean): void {
    if (!event.altKey || event.ctrlKey || event.metaKey || !isMovable(entry)) return
    const moves: Record<string, () => Promise<void>> = {
      ArrowLeft: () => put(entry, addDays(entry.day, -1)),
      ArrowRight: () => put(entry, addDays(entry.day, 1)),
      ArrowUp: () => (isMonth ? put(entry, addDays(entry.day, -7)) : put(entry, entry.day, entry.minutes - STEP)),
      ArrowDown: () => (isMonth ? put(entry, addDays(entry.day, 7)) : put(entry, entry.day, entry.minutes + STEP)),
    }
    const move = moves[event.key]
    if (!move) return
    event.preventDefault()
    if (!isBusy.value) void move()
  }
  /** Moves many by days, and to a time of the day where one is said. */
  const moveMany = (ids: readonly number[], days: number, time: string) => {
    let before: { id: number; at: string }[] = []
    return run(
      async () => {
        const answer = await api<{ before: typeof before }>(`${base.value}/plan/posts/move`, {
          method: 'POST',
          body: { ids, days, time },
        })
        before = answer.before
      },
      `${ids.length} ${ids.length === 1 ? 'post was' : 'posts were'} moved.`,
      async () => {
        for (const { id, at } of before) await place(String(id), at)
      },
    )
  }
  const removeMany = (ids: readonly number[]) => {
    const send = (what: string) => api(`${base.value}/plan/posts/${what}`, { method: 'POST', body: { ids } })
    return run(
      () => send('remove'),
      `${ids.length} ${ids.length === 1 ? 'post was' : 'posts were'} removed.`,
      () => send('restore'),
    )
  }
  return { put, byKey, moveMany, removeMany, isBusy }
}
