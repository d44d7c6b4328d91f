/**
 * A name as a part of an address: small letters, digits and dashes.
 *
 * @param most  how many letters it may have
 * @returns     empty when nothing of the name can stand in an address
 * @example     slugOf('Café du Port, Nord') // 'cafe-du-port-nord'
 */
export function slugOf(name: string, most = 50): string {
  return name
    .normalize('NFKD')
    .replaceAll(/\p{Mn}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .slice(0, most)
    .replaceAll(/^-+|-+$/g, '')
}
