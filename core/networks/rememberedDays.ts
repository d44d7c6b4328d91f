import { BREAKDOWNS } from '../breakdowns/breakdowns'
import { networkById } from './networks'

/**
 * For how many days a network keeps what it gives of a profile: the shortest of its memories, since what is in it goes
 * first.
 *
 * @param isPrivate  whether the owner has given consent; otherwise only what anybody can see counts
 * @returns          none for a network that is not known here
 * @example          rememberedDays('tintype', true) // 35: the hours of followers, though other figures stay 100 days
 */
export function rememberedDays(network: string, isPrivate: boolean): number {
  const { historyDays, publicDays } = networkById(network)
  if (!isPrivate) return publicDays
  return Math.min(historyDays, ...BREAKDOWNS.map(({ networks }) => networks[network]?.historyDays ?? Infinity))
}
