import type { Connection } from './connector'

/**
 * Where a source answers: its own address, or where the networks are, as the start command says it with `{network}` in
 * it (`ZAFFER_NETWORKS_ADDRESS`).
 *
 * @throws Error when neither is known
 * @example addressOf({ connector: 'cork', address: 'https://cork.example/api' }) // 'https://cork.example/api'
 */
export function addressOf({ connector, address }: Connection, usual = process.env.ZAFFER_NETWORKS_ADDRESS): string {
  if (address) return address
  if (!usual) throw new Error('ZAFFER_NETWORKS_ADDRESS does not say where the networks answer')
  return usual.replace('{network}', connector)
}
