declare module 'talisman/metrics/jaro-winkler' {
  /** How alike two words are, from 0 to 1. */
  export default function jaroWinkler(one: string, other: string): number
}
