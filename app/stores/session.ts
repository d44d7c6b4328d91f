import { defineStore } from 'pinia'

interface Session {
  person: { name: string; email: string; role: 'owner' | 'analyst' | 'viewer' }
  clients: { slug: string; name: string }[]
}

/** Who has signed in, and which clients they may see. */
export const useSession = defineStore('session', () => {
  const session = ref<Session>()
  const mayWrite = computed(() => session.value !== undefined && session.value.person.role !== 'viewer')

  async function load(): Promise<boolean> {
    if (session.value) return true
    const found = await api<Session | { person: null }>('/api/session')
    if (found.person) session.value = found as Session
    return found.person !== null
  }

  async function signIn(email: string, password: string): Promise<void> {
    await api('/api/session', { method: 'POST', body: { email, password } })
    session.value = undefined
    await load()
  }

  async function signOut(): Promise<void> {
    await api('/api/session', { method: 'DELETE' })
    session.value = undefined
  }

  return { session, mayWrite, load, signIn, signOut }
})
