/** A problem that ends the start with a sentence instead of a stack. */
export class Stop extends Error {}

const began = Date.now()

/** Says what is being done, with the time since the beginning. */
export function say(text) {
  console.log(`${`${((Date.now() - began) / 1000).toFixed(1)} s`.padStart(8)}  ${text}`)
}
