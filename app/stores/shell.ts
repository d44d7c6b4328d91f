import { defineStore } from 'pinia'
import type { Note } from '~~/server/db/questions/notes'

/** What is open in the shell: the margin and the dialogs that a key can call from anywhere. */
export const useShell = defineStore('shell', () => {
  const isMarginOpen = useLocalStorage('zaffer:margin', true)
  const isHelpOpen = ref(false)
  const isFindOpen = ref(false)
  const isClientOpen = ref(false)
  const isAddOpen = ref(false)
  /** The client whose report it is added to, on pages that belong to none. */
  const addClient = ref('')
  const addFrom = (client: string) => {
    addClient.value = client
    isAddOpen.value = true
  }
  /** The note that is being written: a new one for a day, or one that is there. */
  const note = ref<Partial<Note>>()
  return { isMarginOpen, isHelpOpen, isFindOpen, isClientOpen, isAddOpen, addClient, addFrom, note }
})
