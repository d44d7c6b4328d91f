import { isMetric } from '~~/core/metrics/catalogue'

/**
 * The figure whose working is open: a metric, and the profiles of a row where it is one of the table. It stands in the
 * address.
 */
export function useSelectedFigure() {
  const { query, replace } = usePageAddress()
  const shell = useShell()
  const { tick } = useFirstSteps()
  const selected = computed(() => {
    const [metric = '', who] = String(query.value.figure ?? '').split('.')
    return isMetric(metric) ? { metric, who: who && /^s?\d+(,s?\d+)*$/.test(who) ? who : undefined } : undefined
  })
  async function select(metric: string, who?: string): Promise<void> {
    tick('working')
    shell.isMarginOpen = true
    await replace({ figure: who === undefined ? metric : `${metric}.${who}` })
  }
  const isSelected = (metric: string, who?: string) => selected.value?.metric === metric && selected.value.who === who
  return { selected, select, isSelected }
}
