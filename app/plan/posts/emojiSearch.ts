/** An emoji with what it is called. */
export interface FoundEmoji {
  emoji: string
  name: string
}

/**
 * The emoji whose names have all of some words, those that are called so first, in the order of the standard.
 *
 * @param all  the words of each emoji, its name first
 * @example foundEmoji({ '🍂': ['fallen_leaf', 'autumn'] }, 'autumn', 10) // [{ emoji: '🍂', name: 'fallen leaf' }]
 */
export function foundEmoji(
  all: Readonly<Record<string, readonly string[]>>,
  words: string,
  most: number,
): FoundEmoji[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean)
  const found = Object.entries(all).flatMap(([emoji, [name = '', ...others]]) => {
    const called = name.replaceAll('_', ' ')
    const rest = others.join(' ').replaceAll('_', ' ').toLowerCase()
    if (!wanted.every((word) => called.includes(word) || rest.includes(word))) return []
    return [{ emoji, name: called, isCalled: wanted.every((word) => called.includes(word)) }]
  })
  return found
    .sort((a, b) => Number(b.isCalled) - Number(a.isCalled))
    .slice(0, most)
    .map(({ emoji, name }) => ({ emoji, name }))
}
