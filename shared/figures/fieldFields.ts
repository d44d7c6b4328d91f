import { string } from 'yup'
import { NETWORKS } from '../../core/networks/networks'

/** How a field is looked at, as it stands in an address and in a block. */
export const fieldFields = {
  /** One network, on which everybody is compared; every one, where it is empty. */
  network: string()
    .oneOf(['', ...NETWORKS.map(({ id }) => id)], 'There is no network “${value}”.')
    .default(''),
  /** Whether the client itself is left out, so that rivals are compared with each other. */
  own: string().oneOf(['', 'out'], 'The client is in the field, or “out”.').default(''),
  /** Rivals that are not looked at now, each by one of its profiles. */
  hide: string()
    .matches(/^(\d{1,9}(,\d{1,9}){0,99})?$/, 'Choose rivals from the list.')
    .default(''),
}
