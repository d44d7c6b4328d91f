/** By which column a table is ordered: as it stands in the address, so that a link shows the same. */
export interface OrderedColumn<Row> {
  key: string
  /** Figures begin with the largest, names with A. */
  isFigure?: boolean
  valueOf: (row: Row) => string | number
}

/**
 * The rows of a table in the order that its headings were selected in. Selected again it is turned round, and the third
 * time it is as it was.
 *
 * @param name  the part of the address that keeps it, such as `sort`
 */
export function useTableOrder<Row>(
  name: string,
  columns: () => readonly OrderedColumn<Row>[],
  rows: () => readonly Row[],
) {
  const { query, replace } = usePageAddress()
  const sorted = computed(() => {
    const [key, way] = String(query.value[name] ?? '').split('.')
    return columns().some((column) => column.key === key) ? { key, isDown: way === 'down' } : undefined
  })
  const ordered = computed(() => {
    const column = columns().find(({ key }) => key === sorted.value?.key)
    if (!column) return rows()
    const [first, second] = sorted.value!.isDown ? [1, -1] : [-1, 1]
    return [...rows()].sort((a, b) =>
      column.valueOf(a) < column.valueOf(b) ? first : column.valueOf(a) > column.valueOf(b) ? second : 0,
    )
  })
  function select({ key, isFigure = false }: OrderedColumn<Row>) {
    const turned = sorted.value?.key !== key ? isFigure : sorted.value.isDown === isFigure ? !isFigure : undefined
    void replace({ [name]: turned === undefined ? undefined : `${key}.${turned ? 'down' : 'up'}` })
  }
  const orderOf = (key: string) =>
    sorted.value?.key !== key ? undefined : sorted.value.isDown ? 'descending' : 'ascending'
  return { ordered, select, orderOf }
}
