import { setResponseStatus } from 'h3'
import { savedScopeSchema } from '../../../../../shared/scope'
import { bodyOf, clientRoute } from '../../../../http/route'
import { badRequest } from '../../../../problems/problem'
import { saveScope } from '../../../../work/savedScopes'

export default clientRoute('write', async ({ event, db }) => {
  const { name, parts } = await bodyOf(event, savedScopeSchema)
  if (Object.values(parts).every((part) => part === undefined)) throw badRequest('Choose at least one part of the scope to keep.')
  setResponseStatus(event, 201)
  return { id: await saveScope(db, name, parts) }
})
