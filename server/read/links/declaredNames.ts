/** What the names of programs that read pages are made of, by common practice. */
const USUAL = ['bot\\b', 'crawler', 'spider']

/** How many names are remembered with what was found of them: most visitors come with one of a few. */
const REMEMBERED = 1000

/** The text that a pattern stands for, where it is nothing but a text. */
const plainText = (pattern: string): string | undefined =>
  /^(?:[^\\^$.*+?()[\]{}|]|\\[^a-zA-Z0-9])*$/.test(pattern) ? pattern.replace(/\\(.)/g, '$1').toLowerCase() : undefined

/**
 * Makes the function that says whether a name has any of some patterns in it, whatever its capitals. Most patterns of
 * such lists are plain texts: these are looked for as texts, which takes a small part of the time that one expression of
 * all of them would take.
 *
 * @param patterns  regular expressions
 * @example declaredNames(['Example\\/'])('Mozilla/5.0 (compatible; Example/1.0)') // true
 */
export function declaredNames(patterns: readonly string[]): (name: string) => boolean {
  const texts = [...new Set(patterns.flatMap((pattern) => plainText(pattern) ?? []))]
  // a text that holds another one says nothing more
  const shortest = texts.filter((text) => !texts.some((other) => other !== text && text.includes(other)))
  const others = new RegExp(
    [...USUAL, ...patterns.filter((pattern) => plainText(pattern) === undefined)].join('|'),
    'i',
  )
  const look = (name: string) => {
    const small = name.toLowerCase()
    return others.test(name) || shortest.some((text) => small.includes(text))
  }
  const found = new Map<string, boolean>()
  return (name) => {
    const known = found.get(name)
    if (known !== undefined) return known
    if (found.size >= REMEMBERED) found.clear()
    const isDeclared = look(name)
    found.set(name, isDeclared)
    return isDeclared
  }
}
