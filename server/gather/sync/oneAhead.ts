/**
 * Gives what a source gives, in its order, and asks it for the next one while whoever takes them is still busy with the
 * one before: never for more than that one. What goes wrong with the next is said when its turn has come, so that
 * nothing before it is lost. Whoever stops taking waits for what was asked for already: nothing goes on behind.
 *
 * @throws  what the source throws
 * @example for await (const page of oneAhead(pages())) await keep(page)
 */
export async function* oneAhead<T>(source: AsyncIterator<T>): AsyncGenerator<T, void, void> {
  let coming = source.next()
  try {
    for (let result = await coming; !result.done; result = await coming) {
      coming = source.next()
      coming.catch(() => {})
      yield result.value
    }
  } finally {
    await coming.catch(() => {})
    await source.return?.()
  }
}
