import { isMetric } from '~~/core/metrics/catalogue'

/** The figure whose working is open: a metric, and a profile where it is one of the table. It stands in the address. */
export function useSelectedFigure() {
  const route = useRoute()
  const router = useRouter()
  const shell = useShell()
  const selected = computed(() => {
    const [metric = '', profile] = String(route.query.figure ?? '').split('.')
    return isMetric(metric) ? { metric, profile: profile && /^\d+$/.test(profile) ? Number(profile) : undefined } : undefined
  })
  async function select(metric: string, profile?: number): Promise<void> {
    shell.isMarginOpen = true
    await router.replace({ query: { ...route.query, figure: profile === undefined ? metric : `${metric}.${profile}` } })
  }
  const isSelected = (metric: string, profile?: number) => selected.value?.metric === metric && selected.value.profile === profile
  return { selected, select, isSelected }
}
