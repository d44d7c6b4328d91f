/**
 * A number from 0 (included) to 1 that depends on nothing but its key, so that a world can be made again in any order.
 * FNV-1a over the key, then the finaliser of MurmurHash3.
 *
 * @example unit('mossgate', '2026-10-28') === unit('mossgate', '2026-10-28')
 */
export function unit(...key: (string | number)[]): number {
  let hash = 0x811c9dc5
  for (const character of key.join('|')) {
    hash ^= character.codePointAt(0)!
    hash = Math.imul(hash, 0x01000193)
  }
  hash ^= hash >>> 16
  hash = Math.imul(hash, 0x85ebca6b)
  hash ^= hash >>> 13
  hash = Math.imul(hash, 0xc2b2ae35)
  hash ^= hash >>> 16
  return (hash >>> 0) / 0x1_0000_0000
}

/** A factor around 1 that varies by `spread`, smoother than a flat draw. */
export const wobble = (spread: number, ...key: (string | number)[]): number =>
  1 + spread * (unit(...key, 'a') + unit(...key, 'b') + unit(...key, 'c') - 1.5)

/** A whole number near `mean` whose scatter grows with its root, as counts do. */
export function scatter(mean: number, ...key: (string | number)[]): number {
  const normal = (unit(...key, 'x') + unit(...key, 'y') + unit(...key, 'z') - 1.5) * 2
  return Math.max(0, Math.round(mean + normal * Math.sqrt(Math.max(0, mean))))
}
