import type { SavedParts } from './scopeFields'

/** Parts of a scope under a name. What it leaves out stays as it is when it is opened. */
export interface SavedScope {
  id: number
  name: string
  parts: SavedParts
}
