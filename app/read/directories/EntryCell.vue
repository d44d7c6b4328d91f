<script setup lang="ts">
/** What an entry says in a field, beside the master record; what differs can be chosen and sent. */
import type { ComparedField } from '~~/core/directories/compareEntry'
import type { EntryCorrection } from '~~/shared/read/directories'
import { correctionWords, fieldWords, saidWords } from './directoryWords'

const props = defineProps<{
  /** The number of the entry, and what it is called. */
  entry: number
  name: string
  told: ComparedField
  correction?: EntryCorrection
  mayAct: boolean
}>()
const chosen = defineModel<string[]>({ required: true })
/** How a field stands, as a sign and as a word. */
const VERDICTS = {
  same: { mark: '✓', name: 'the same' },
  differs: { mark: '≠', name: 'differs' },
  missing: { mark: '', name: 'missing' },
  extra: { mark: '+', name: 'only there' },
  silent: { mark: '', name: '' },
} as const
const verdict = computed(() => VERDICTS[props.told.is])
/** What the record says and the entry does not can be sent, once. */
const isOpen = computed(
  () =>
    props.mayAct &&
    (props.told.is === 'differs' || props.told.is === 'missing') &&
    props.correction?.state !== 'waiting' &&
    props.correction?.state !== 'sent',
)
</script>

<template>
  <label class="cell">
    <Checkbox
      v-if="isOpen"
      v-model="chosen"
      :value="`${entry} ${told.field}`"
      :input-id="`send-${entry}-${told.field}`"
      :aria-label="`Send ours: ${fieldWords(told.field)} to ${name}`"
    />
    <span>
      <span class="mark" :class="told.is" aria-hidden="true">{{ verdict.mark }}</span>
      <span v-if="told.is === 'missing'" class="quiet">{{ verdict.name }}</span>
      <span v-else class="hidden-but-read">{{ verdict.name }}</span>
      <span v-if="told.is === 'differs' || told.is === 'extra'" class="said">{{
        saidWords(told.field, told.theirs)
      }}</span>
      <span v-if="told.how" class="quiet remark">{{ told.how }}</span>
      <span v-if="correction && told.is !== 'same'" class="remark state">{{ correctionWords(correction) }}</span>
    </span>
  </label>
</template>

<style scoped>
.cell {
  display: flex;
  gap: 6px;
  align-items: flex-start;
}
.remark {
  display: block;
  font-size: var(--text-small);
}
.state {
  color: var(--ink2);
  font-weight: 550;
}
.said {
  overflow-wrap: anywhere;
}
.mark {
  margin-right: 4px;
}
.mark.differs {
  color: var(--worse);
  font-weight: 650;
}
.mark.same {
  color: var(--ink3);
}
</style>
