import { defineStore } from 'pinia'
import type { Note } from '~~/shared/figures/notes'
import type { Said } from '~/platform/useSay'
import type { Block } from '~~/shared/report/blocks'

/** What is open in the shell: the margin and the dialogs that a key can call from anywhere. */
export const useShell = defineStore('shell', () => {
  const isWide = useMediaQuery('(min-width: 1200px)', { ssrWidth: 1280 })
  // a cookie: the server draws the page with the margin or without
  const isKeptOpen = useCookie('zaffer-margin', { default: () => true, maxAge: 400 * 24 * 3600, sameSite: 'lax' })
  const isOpenOver = ref(false)
  /** On a narrow screen the margin lies over the page, so it stays shut there until it is asked for. */
  const isMarginOpen = computed({
    get: () => (isWide.value ? isKeptOpen.value : isOpenOver.value),
    set: (isOpen) => ((isWide.value ? isKeptOpen : isOpenOver).value = isOpen),
  })
  /** Where a page puts what it has to say into the margin; not there while the margin is shut. */
  const marginPlace = shallowRef<HTMLElement | null>(null)
  /** How many popovers and dialogs are open or being opened. */
  const openings = ref(0)
  const isHelpOpen = ref(false)
  const isFindOpen = ref(false)
  const isClientOpen = ref(false)
  const isAddOpen = ref(false)
  /** The client whose report it is added to, on pages that belong to none. */
  const addClient = ref('')
  /** The kinds of block that are ticked when it opens. */
  const addKind = ref<Block['kind']>()
  /** What it is called on the page: of several parts of one kind that of the same name. */
  const addName = ref('')
  const addFrom = (client: string) => {
    addClient.value = client
    isAddOpen.value = true
  }
  /** Opens with one part of the page ticked. */
  const addPart = (kind: Block['kind'], name = '') => {
    addKind.value = kind
    addName.value = name
    isAddOpen.value = true
  }
  watch(isAddOpen, (isOpen) => {
    if (!isOpen) [addKind.value, addName.value] = [undefined, '']
  })
  /** The note that is being written: a new one for a day, or one that is there. */
  const note = ref<Partial<Note>>()
  /** The stretches of days that a new note is for, where they are several: each gets it. */
  const noteDays = ref<{ from: string; to: string }[]>([])
  /** What follows once it is kept. */
  const noteKept = shallowRef<() => Promise<void>>()
  watch(note, (open) => {
    if (!open) [noteDays.value, noteKept.value] = [[], undefined]
  })
  /** What was said and is not shown yet, and whether anything was: what shows it is fetched for the first. */
  const said = shallowRef<readonly Said[]>([])
  const hasSpoken = ref(false)
  const say = (message: Said) => {
    said.value = [...said.value, message]
    hasSpoken.value = true
  }
  const takeSaid = () => {
    const waiting = said.value
    if (waiting.length > 0) said.value = []
    return waiting
  }
  return {
    said,
    hasSpoken,
    say,
    takeSaid,
    openings,
    isMarginOpen,
    isOpenOver,
    marginPlace,
    isHelpOpen,
    isFindOpen,
    isClientOpen,
    isAddOpen,
    addClient,
    addKind,
    addName,
    addFrom,
    addPart,
    note,
    noteDays,
    noteKept,
  }
})
