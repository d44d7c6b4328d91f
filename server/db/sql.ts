/** The client that a handle is bound to, as a value for a query. Only a `ClientDb` can make one. */
export class ThisClient {
  constructor(readonly clientId: number) {}
}

/** A name or fragment that goes into the text of a query as it stands. Never made from what a person typed. */
export class Raw {
  constructor(readonly text: string) {}
}

/** A query with its values. `Bound` says whether it names the client that it belongs to. */
export interface Query<Bound extends boolean> {
  text: string
  values: unknown[]
  bound: Bound
}

type MentionsClient<V extends readonly unknown[]> = ThisClient extends V[number] ? true : V[number] extends never ? false : Extract<V[number], ThisClient> extends never ? false : true

/**
 * Turns a template into a query with parameters. A list becomes a list of parameters, for `IN (${…})`; an empty list matches nothing.
 *
 * @example sql`SELECT name FROM profile WHERE client_id = ${db.client} AND profile_id IN (${ids})`
 */
export function sql<const V extends readonly unknown[]>(strings: TemplateStringsArray, ...values: V): Query<MentionsClient<V>> {
  let text = strings[0]!
  const parameters: unknown[] = []
  let bound = false
  values.forEach((value, index) => {
    if (value instanceof Raw) text += value.text
    else {
      text += '?'
      if (value instanceof ThisClient) {
        bound = true
        parameters.push(value.clientId)
      } else parameters.push(Array.isArray(value) && value.length === 0 ? [null] : value === undefined ? null : value)
    }
    text += strings[index + 1]!
  })
  return { text, values: parameters, bound: bound as MentionsClient<V> }
}

/**
 * A fragment of known names, for the column lists that the catalogue makes.
 *
 * @throws RangeError when it holds anything but letters, digits, underscores, commas, spaces and simple SQL
 */
export function raw(text: string): Raw {
  if (!/^[\w\s,.()=<>+*/%-]*$/.test(text)) throw new RangeError(`"${text}" cannot stand in a query`)
  return new Raw(text)
}
