import { array, number, object, string } from 'yup'
import { NETWORKS } from '../../core/networks/networks'
import { isHandle, readProfileAddress } from '../../core/networks/profileAddress'
import { text } from '../platform/text'

/** What is asked to be added: a profile by handle or address, the client's own or a rival's. */
export const lookupSchema = object({
  what: text().required('Write a handle or an address.').max(300)
    .test('named', ({ value }) => `“${value}” is neither a handle nor the address of a profile. Write a handle such as @name, or an address on ${NETWORKS.map(({ site }) => site).join(', ')}.`, (what = '') => isHandle(what) || readProfileAddress(what) !== undefined),
  network: string().max(20).default(''),
})
export const addProfileSchema = object({
  network: string().required('Choose a network.').max(20),
  handle: text().required('Write a handle.').max(120),
  rival: text().max(120, 'Keep the name of the competitor under 120 characters.').default(''),
})

/** A set as a person makes it. */
export const setSchema = object({
  name: text().required('A set needs a name.').max(80, 'Keep the name under 80 characters.'),
  profiles: array(number().integer().required()).min(1, 'Choose the profiles of the set.').max(500).required(),
})
