import { personRoute } from '../../http/route'
import { clientsOf } from '../../auth/people'

export default personRoute(async ({ person }) => ({
  person: { name: person.name, email: person.email, role: person.role },
  clients: (await clientsOf(person)).map(({ slug, name }) => ({ slug, name })),
}))
