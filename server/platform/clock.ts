/**
 * The application's clock, in milliseconds since 1970 UTC. `ZAFFER_NOW` sets it for tests and pictures; it then stands
 * still.
 *
 * @throws Error when ZAFFER_NOW is not a time
 */
export function now(): number {
  const fixed = process.env.ZAFFER_NOW
  if (!fixed) return Date.now()
  const time = Date.parse(fixed)
  if (Number.isNaN(time)) throw new Error(`ZAFFER_NOW is not a time: ${fixed}`)
  return time
}
