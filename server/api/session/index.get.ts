import { clientsOf, releasedTo } from '../../platform/people/people'
import { route, visitor } from '../../platform/http/route'

/** Who has signed in, and which clients they may see; nobody is no error. */
export default route(async (event) => {
  const found = await visitor(event)
  if (!found) return { person: null, clients: [] }
  const { person } = found
  return {
    person: { name: person.name, email: person.email, role: person.role },
    clients: (await clientsOf(person)).map((row) => ({
      slug: row.slug,
      name: row.name,
      released: releasedTo(person, row),
      ...(row.isOfPlaces === 1 && { isOfPlaces: true }),
    })),
  }
})
