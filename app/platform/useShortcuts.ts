import { periodAddress, runningUnit, stepPeriod } from '~~/core/periods/periodKind'
import { readPeriod } from '~~/core/periods/readPeriod'
import { STAGE_KEYS, stagesFor } from '../stages'

/**
 * Every shortcut of a person with what it does, for the list that `?` shows: only those that lead somewhere for them.
 */
export function shortcutsFor(
  may: { mayWrite: boolean; maySeeFigures: boolean; hasClient: boolean },
  stages: readonly string[],
): [keys: string, meaning: string][] {
  return [
    ...Object.entries(STAGE_KEYS).filter(([, stage]) => stages.includes(stage)),
    ['c', 'choose a client, then its number'],
    ...(may.hasClient && may.maySeeFigures
      ? ([
          [', and .', 'earlier and later period'],
          ['a', 'comparison on and off'],
          ['w', 'open and close the margin'],
        ] as [string, string][])
      : []),
    ...(may.hasClient && may.mayWrite
      ? ([
          ['n', 'write a note'],
          ['r', 'add to a report'],
        ] as [string, string][])
      : []),
    ...(may.hasClient && may.maySeeFigures ? ([['t', 'the table behind the chart']] as [string, string][]) : []),
    ...(may.hasClient ? ([['/', 'find anything']] as [string, string][]) : []),
    ['?', 'this list'],
  ]
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || target.closest('input, textarea, select, [role="dialog"]') !== null)

/** The keys that work on every page of a client. */
export function useShortcuts(): void {
  const route = useRoute()
  const router = useRouter()
  const shell = useShell()
  const session = useSession()
  const { slug } = useClient()
  const { change, scope, description } = useScope()

  /** The last complete day of a client, also while the answer about the next scope is on its way. */
  const known = ref<{ slug: string; lastComplete: string }>()
  watch(
    () => description.data.value,
    (now) => now && (known.value = { slug: now.client.slug, lastComplete: now.lastComplete }),
    { immediate: true },
  )
  async function stepOnce(direction: 1 | -1): Promise<void> {
    if (known.value?.slug !== slug.value) return
    const { lastComplete } = known.value
    // from where the address is, not from what the page has got so far: keys can be faster than answers
    const { period, running } = readPeriod(scope.value.period, lastComplete)
    const moved = stepPeriod(period, direction, lastComplete, running)
    await change({ period: periodAddress(moved, runningUnit(moved, lastComplete)) })
  }
  /** One step after the other: the second begins where the first has led to. */
  let walking: Promise<unknown> = Promise.resolve()
  const step = (direction: 1 | -1) => (walking = walking.then(() => stepOnce(direction)).catch(() => undefined))

  const maySeeFigures = () => session.may(slug.value, 'figures')
  const actions: Record<string, () => unknown> = {
    ',': () => step(-1),
    '.': () => step(1),
    'a': () => maySeeFigures() && change({ against: scope.value.against === 'none' ? 'before' : 'none' }),
    'w': () => (shell.isMarginOpen = !shell.isMarginOpen),
    'n': () => session.mayWrite && (shell.note = {}),
    'r': () => session.mayWrite && (shell.isAddOpen = true),
    '/': () => (shell.isFindOpen = true),
    'c': () => (shell.isClientOpen = true),
    '?': () => (shell.isHelpOpen = true),
  }

  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target) || isSomethingOpen()) return
    const stage = stagesFor((needs) => session.may(slug.value, needs)).find(
      ({ name }) => name === STAGE_KEYS[event.key],
    )
    const action = stage
      ? () => router.push({ path: `/${slug.value}/${stage.pages[0]!.path}`, query: scopeOf(route.query) })
      : actions[event.key]
    if (!action || (!slug.value && !['?', 'c'].includes(event.key))) return
    event.preventDefault()
    void action()
  })
}

/** The parts of an address that every page shares. */
export function scopeOf(query: Record<string, unknown>): Record<string, string> {
  return Object.fromEntries(
    ['who', 'period', 'against'].flatMap((name) => (typeof query[name] === 'string' ? [[name, query[name]]] : [])),
  )
}
