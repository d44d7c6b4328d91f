import { fieldSchema } from '~~/shared/compare/field'

/** How a field is looked at, as the address has it; what has no meaning there is left to the server to say. */
export function useFieldAddress() {
  const { query, push } = usePageAddress()
  const shown = computed(() => ({
    network: String(query.value.network ?? ''),
    own: String(query.value.own ?? ''),
    hide: String(query.value.hide ?? ''),
  }))
  return {
    shown,
    /** The same, without what is not chosen. */
    asked: computed(() => Object.fromEntries(Object.entries(shown.value).filter(([, value]) => value !== ''))),
    /** Rivals that are not looked at. */
    hidden: computed(() => (fieldSchema.isValidSync(shown.value) ? shown.value.hide.split(',').filter(Boolean) : [])),
    /** Puts a part of it, or of what else a page has, into the address. */
    show: push,
  }
}
