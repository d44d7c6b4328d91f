import type { H3Event } from 'h3'
import { beginSession, type SessionFrom } from '../people/sessions'
import { isEncrypted } from './visitorAddress'

/**
 * Begins a session and puts its secret into a sealed cookie; where the visitor's connection is encrypted, the cookie
 * goes over no other.
 */
export async function giveSession(event: H3Event, personId: number, from: SessionFrom): Promise<void> {
  const token = await beginSession(personId, from)
  await replaceUserSession(event, { secure: { token } }, { cookie: { secure: isEncrypted(event) } })
}
