/** A named group of profiles. */
export interface ProfileSet {
  id: number
  name: string
  profiles: number[]
}
