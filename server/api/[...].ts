import { route } from '../http/route'
import { notFound } from '../problems/problem'

export default route(() => {
  throw notFound('address')
})
