/** The client that a handle is bound to, as a value for a query. Only a `ClientDb` can make one. */
export class ThisClient {
  constructor(readonly clientId: number) {}
}

/** A name or fragment that goes into the text of a query as it stands. Never made from what a person typed. */
export class Raw {
  constructor(readonly text: string) {}
}

/** What only this file has: whoever holds it can make a query. */
const MADE_HERE = Symbol('made by the sql tag')

/**
 * A query with its values. `Bound` says whether it names the client that it belongs to. Only the `sql` tag makes one:
 * an object that looks like a query is none, for the types and when it runs.
 */
export class Query<Bound extends boolean> {
  readonly #bound: Bound

  private constructor(
    made: typeof MADE_HERE,
    readonly text: string,
    readonly values: readonly unknown[],
    bound: Bound,
  ) {
    if (made !== MADE_HERE) throw new Error('a query is made by the sql tag')
    this.#bound = bound
  }

  /** Whether it names its client. Asked of anything else, such as an object made to look like one, it throws. */
  get bound(): Bound {
    return this.#bound
  }

  /** For the tag below. */
  static make<B extends boolean>(made: typeof MADE_HERE, text: string, values: readonly unknown[], bound: B): Query<B> {
    return new Query(made, text, values, bound)
  }
}

type IsBound<V> = V extends ThisClient ? true : V extends Query<infer B> ? B : never
type MentionsClient<V extends readonly unknown[]> = true extends IsBound<V[number]> ? true : false

/**
 * Turns a template into a query with parameters. A list becomes a list of parameters, for `IN (${…})`; an empty list
 * matches nothing. A query within a query stands there with its own values.
 *
 * @example sql`SELECT name FROM profile WHERE client_id = ${db.client} AND profile_id IN (${ids})`
 */
export function sql<const V extends readonly unknown[]>(
  strings: TemplateStringsArray,
  ...values: V
): Query<MentionsClient<V>> {
  let text = strings[0]!
  const parameters: unknown[] = []
  let bound = false
  values.forEach((value, index) => {
    if (value instanceof Raw) text += value.text
    else if (value instanceof Query) {
      text += value.text
      parameters.push(...value.values)
      bound ||= value.bound as boolean
    } else {
      text += '?'
      if (value instanceof ThisClient) {
        bound = true
        parameters.push(value.clientId)
      } else parameters.push(Array.isArray(value) && value.length === 0 ? [null] : parameter(value))
    }
    text += strings[index + 1]!
  })
  return Query.make(MADE_HERE, text, parameters, bound as MentionsClient<V>)
}

/** A list of pairs, as of `(profile_id, remote_id) IN (…)`, is a list of lists; nothing is deeper. */
const DEEPEST_LIST = 2

/**
 * A value as the driver may have it: a word, a number, a yes or no, a day or instant, bytes, or a list of these. An object
 * would be written out as columns and values, which turns a comparison into another one.
 *
 * @throws TypeError for anything else
 */
function parameter(value: unknown, depth = 0): unknown {
  if (value === undefined || value === null) return null
  if (['string', 'number', 'bigint', 'boolean'].includes(typeof value)) return value
  if (value instanceof Date || value instanceof Uint8Array) return value
  if (Array.isArray(value) && depth < DEEPEST_LIST) return value.map((each) => parameter(each, depth + 1))
  throw new TypeError('a query takes words, numbers, days and lists of these, and no objects')
}

/**
 * A fragment of known names, for the column lists that the catalogue makes.
 *
 * @throws RangeError when it holds anything but letters, digits, underscores, commas, spaces and simple SQL
 */
export function raw(text: string): Raw {
  if (!/^[\w\s,.()=<>+*/%&|~-]*$/.test(text)) throw new RangeError(`"${text}" cannot stand in a query`)
  return new Raw(text)
}
