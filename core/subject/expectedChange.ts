/** A part of one's own figure, and how the whole subject of that part has moved. */
export interface SubjectPart {
  key: string
  /** One's own value in the comparison period, ≥ 0. */
  own: number
  /** The subject's change as a part of what it was: −0.1 is a fall by a tenth. */
  subject: number
}

/**
 * The change that one's own figure would have had if each part had moved as its whole subject did: the constant-share
 * term of a shift-share analysis (Dunn 1960, Papers of the Regional Science Association 6:97). What one's own change is
 * beyond it is one's own.
 *
 * @returns undefined when there was nothing of one's own before
 * @example expectedChange([{ key: 'a', own: 300, subject: 0.1 }, { key: 'b', own: 100, subject: -0.1 }]) // 0.05
 */
export function expectedChange(parts: readonly SubjectPart[]): number | undefined {
  const all = parts.reduce((sum, { own }) => sum + own, 0)
  return all > 0 ? parts.reduce((sum, { own, subject }) => sum + own * subject, 0) / all : undefined
}
