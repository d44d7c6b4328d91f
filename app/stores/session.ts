import { defineStore } from 'pinia'
import type { Needs, Releasable } from '~~/shared/platform/releasable'

interface Session {
  person: { name: string; email: string; role: 'owner' | 'analyst' | 'viewer' }
  clients: { slug: string; name: string; released: Releasable[]; isOfPlaces?: boolean }[]
}

/** Who has signed in, and which clients they may see. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>()
  const mayWrite = computed(() => session.value !== undefined && session.value.person.role !== 'viewer')

  /** Whether somebody may see what a page of a client is about. */
  function may(slug: string, needs: Needs): boolean {
    const client = clientOf(slug)
    if (!client) return false
    if (mayWrite.value) return true
    if (needs === 'places') return client.released.includes('figures')
    if (client.isOfPlaces || needs === 'work') return false
    return needs === 'read' || client.released.includes(needs)
  }
  const clientOf = (slug: string) => session.value?.clients.find((one) => one.slug === slug)
  /** The page of a client with which somebody begins. */
  const homeOf = (slug: string): string =>
    `/${slug}/${clientOf(slug)?.isOfPlaces ? 'places' : may(slug, 'figures') ? 'overview' : 'editions'}`

  async function load(): Promise<boolean> {
    return session.value !== undefined || (await loadAnew())
  }

  /**
   * Asks anew, after something about the person or their clients has changed; what is known stays until the answer is
   * there.
   */
  async function loadAnew(): Promise<boolean> {
    const found = await api<Session | { person: null }>('/api/session')
    session.value = found.person ? (found as Session) : undefined
    return found.person !== null
  }

  async function signIn(email: string, password: string): Promise<void> {
    await api('/api/session', { method: 'POST', body: { email, password } })
    await loadAnew()
  }

  async function signOut(): Promise<void> {
    await api('/api/session', { method: 'DELETE' })
    session.value = undefined
  }

  return { session, mayWrite, clientOf, may, homeOf, load, loadAnew, signIn, signOut }
})
