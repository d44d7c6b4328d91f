import { setResponseStatus } from 'h3'
import { savedScopeSchema } from '../../../../../shared/figures/scopeFields'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { badRequest } from '../../../../platform/problems/problem'
import { saveScope } from '../../../../figures/savedScopes'

export default clientRoute('write', async ({ event, db }) => {
  const { name, parts } = await bodyOf(event, savedScopeSchema)
  if (Object.values(parts).every((part) => part === undefined))
    throw badRequest('Choose at least one part of the scope to keep.')
  setResponseStatus(event, 201)
  return { id: await saveScope(db, name, parts) }
})
