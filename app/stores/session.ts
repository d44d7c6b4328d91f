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
    try {
      session.value = await api<Session>('/api/session')
      return true
    } catch (error) {
      if ((error as ApiProblem).status === 401) return false
      throw error
    }
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
