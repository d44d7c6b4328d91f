<script setup lang="ts">
/** What becomes of a post with one profile, where that is a person’s to say. */
import type { PlannedPost } from '~~/shared/plan/plannedPosts'

type Posting = PlannedPost['postings'][number]
const props = defineProps<{ posting: Posting; isAlone: boolean; isBusy: boolean }>()
const emit = defineEmits<{ decide: [posting: Posting, decision: string, address: string] }>()
const address = ref('')
const field = useId()
const decide = (decision: string) => emit('decide', props.posting, decision, address.value)
</script>

<template>
  <section>
    <div class="field">
      <label :for="field">Address of the post on {{ posting.networkName }}</label>
      <InputText :id="field" v-model="address" size="small" fluid placeholder="https://" />
    </div>
    <div class="row">
      <Button label="It is published" size="small" outlined :disabled="isBusy" @click="decide('published')" />
      <Button
        v-if="!posting.isByHand"
        label="Publish it now"
        size="small"
        outlined
        :disabled="isBusy"
        @click="decide('again')"
      />
      <Button v-if="!isAlone" label="Leave it out" size="small" text :disabled="isBusy" @click="decide('leave')" />
    </div>
  </section>
</template>

<style scoped>
section {
  border-top: 1px solid var(--rule);
  padding: 8px 0;
}
</style>
