import { isMetric } from '~~/core/metrics/catalogue'

/**
 * The figure whose working is open: a metric, and the profiles of a row where it is one of the table. It stands in the
 * address.
 */
export function useSelectedFigure() {
  const route = useRoute()
  const router = useRouter()
  const shell = useShell()
  const { tick } = useFirstSteps()
  const selected = computed(() => {
    const [metric = '', who] = String(route.query.figure ?? '').split('.')
    return isMetric(metric) ? { metric, who: who && /^s?\d+(,s?\d+)*$/.test(who) ? who : undefined } : undefined
  })
  async function select(metric: string, who?: string): Promise<void> {
    tick('working')
    shell.isMarginOpen = true
    await router.replace({ query: { ...route.query, figure: who === undefined ? metric : `${metric}.${who}` } })
  }
  const isSelected = (metric: string, who?: string) => selected.value?.metric === metric && selected.value.who === who
  return { selected, select, isSelected }
}
