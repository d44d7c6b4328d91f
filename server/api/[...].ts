import { route } from '../platform/http/route'
import { notFound } from '../platform/problems/problem'

export default route(() => {
  throw notFound('address')
})
