import type Select from 'primevue/select'
import { onUse } from './onUse'

/** A choice that is fetched when it is first used; for pages that are to be there at once. */
export const SelectOnUse = onUse<typeof Select>(() => import('primevue/select').then((select) => select.default))
