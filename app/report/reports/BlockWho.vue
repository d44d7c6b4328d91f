<script setup lang="ts">
import type { ScopeDescription } from '~~/shared/figures/description'
import { parseWho, whoAddress } from '~~/shared/figures/scope'
import type OpeningPopover from '../../platform/shell/OpeningPopover.vue'

/** Of whom a block is: everybody of the report, or profiles and sets of its own. */
const props = defineProps<{ who: string; words?: string; known?: ScopeDescription; label: string }>()
const emit = defineEmits<{ choose: [who: string] }>()
const popover = ref<InstanceType<typeof OpeningPopover>>()
const chosen = computed(() => parseWho(props.who))
const text = computed(() => (props.who === 'all' ? 'All profiles' : (props.words ?? '…')))
</script>

<template>
  <Button
    :label="text"
    outlined
    size="small"
    :aria-label="`${label}: ${text}`"
    aria-haspopup="dialog"
    @click="popover?.toggle($event)"
  />
  <OpeningPopover ref="popover" :label="label"
    ><WhoChooser
      v-if="known"
      :profiles="known.profiles"
      :sets="known.sets"
      :chosen="chosen"
      @choose="
        (some) => {
          popover?.hide()
          emit('choose', whoAddress(some))
        }
      "
  /></OpeningPopover>
</template>
