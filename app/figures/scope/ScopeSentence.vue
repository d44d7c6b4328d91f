<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import type OpeningPopover from '../../platform/shell/OpeningPopover.vue'

/** What it is of, in words, on pages where that is not chosen by profile. */
defineProps<{
  of?: string
  /** Whether only whom it is of is chosen here: what else it says stands in the slot. */ isWhoOnly?: boolean
  /** Whether the period counts by its end alone, and nothing is compared. */ isUpTo?: boolean
}>()
const { scope, change, description, error } = useScope()
const session = useSession()
const shell = useShell()
const router = useRouter()
const who = ref<InstanceType<typeof OpeningPopover>>()
const period = ref<InstanceType<typeof OpeningPopover>>()
const against = ref<InstanceType<typeof OpeningPopover>>()
const keeper = ref<InstanceType<typeof OpeningPopover>>()
const known = computed(() => description.data.value)
const place = ref<HTMLElement>()
/** Which phrase was chosen from: its button is made anew with the new words, and has the focus again. */
let chosenFrom: number | undefined
async function choose(phrase: number, part: Parameters<typeof change>[0]) {
  chosenFrom = phrase
  await change(part)
}
watch(
  () => known.value?.words,
  async (words) => {
    if (!words || chosenFrom === undefined) return
    const phrase = chosenFrom
    chosenFrom = undefined
    await nextTick()
    if (!document.activeElement || document.activeElement === document.body)
      place.value?.querySelector<HTMLElement>(`[data-phrase="${phrase}"]`)?.focus()
  },
)
const problem = computed(() => error.value ?? (description.error.value as Error | null)?.message)
</script>

<template>
  <header ref="place" class="scope">
    <p v-if="problem" role="alert">
      {{ problem }}
      <button type="button" class="phrase" @click="router.push({ query: {} })">Begin anew with the last 28 days</button>
    </p>
    <p v-else-if="known">
      <template v-if="of">{{ of }}</template>
      <button v-else type="button" class="phrase" data-phrase="0" aria-haspopup="dialog" @click="who?.toggle($event)">
        {{ known.words.who }}
      </button>
      <slot v-if="isWhoOnly" />
      <template v-else-if="isUpTo">
        {{ ' ' }}
        up to
        <button type="button" class="phrase" data-phrase="1" aria-haspopup="dialog" @click="period?.toggle($event)">
          {{ describeDay(known.period.to) }}
        </button>
      </template>
      <template v-else>
        {{ ' ' }}
        from
        <button type="button" class="phrase" data-phrase="1" aria-haspopup="dialog" @click="period?.toggle($event)">
          {{ known.words.period }}
        </button>
        against
        <button type="button" class="phrase" data-phrase="2" aria-haspopup="dialog" @click="against?.toggle($event)">
          {{ known.words.against }}
        </button>
      </template>
    </p>
    <p v-else class="quiet">…</p>
    <div v-if="known && !isWhoOnly" class="row no-print">
      <Button
        label="Kept scopes"
        text
        aria-haspopup="dialog"
        title="Open a kept scope, or keep this one"
        @click="keeper?.toggle($event)"
      />
    </div>
    <div v-if="session.mayWrite" class="row no-print">
      <Button label="Note" outlined aria-haspopup="dialog" title="Write a note (n)" @click="shell.note = {}" />
      <Button
        label="Add to report"
        aria-haspopup="dialog"
        title="Add to a report (r)"
        @click="shell.isAddOpen = true"
      />
    </div>
    <OpeningPopover ref="who" label="Choose profiles"
      ><LazyWhoChooser
        v-if="known"
        :profiles="known.profiles"
        :sets="known.sets"
        :chosen="scope"
        @choose="
          (chosen) => {
            who?.hide()
            choose(0, { networks: undefined, ...chosen })
          }
        "
    /></OpeningPopover>
    <OpeningPopover ref="period" label="Choose a period"
      ><LazyPeriodChooser
        v-if="known"
        :last-complete="known.lastComplete"
        :period="known.period"
        @choose="
          (words) => {
            period?.hide()
            choose(1, { period: words })
          }
        "
    /></OpeningPopover>
    <OpeningPopover ref="against" label="Choose the comparison"
      ><LazyAgainstChooser
        v-if="known"
        :chosen="scope.against"
        :last-complete="known.lastComplete"
        :period="known.period"
        @choose="
          (choice) => {
            against?.hide()
            choose(2, { against: choice })
          }
        "
    /></OpeningPopover>
    <OpeningPopover ref="keeper" label="Kept scopes"
      ><LazyScopeKeeper v-if="known" :saved="known.saved" :words="known.words" @done="keeper?.hide()"
    /></OpeningPopover>
  </header>
  <SinceText v-if="known?.since.length && !of && !isWhoOnly && !isUpTo" :since="known.since" />
</template>

<style scoped>
.scope {
  display: flex;
  align-items: flex-start;
  gap: 16px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 9px;
  min-height: 3rem;
}
p {
  font: 400 var(--text-scope)/1.35 var(--serif);
  flex: 1;
}
.phrase {
  font: inherit;
  padding: 0;
  border: 0;
  background: none;
  border-bottom: 1.5px dotted var(--zaffer);
  color: var(--deep);
  cursor: pointer;
  text-align: left;
}
</style>
