<script setup lang="ts">
/** Whether posts of the client are approved, and how late one may still go out by itself. */
import { planSettingsSchema, type PlanSettings } from '~~/shared/plan/plannedPosts'

const props = defineProps<{ settings: PlanSettings }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive({ needsApproval: props.settings.needsApproval, lateMinutes: String(props.settings.lateMinutes) })
const problems = ref<Record<string, string>>({})
async function keep() {
  problems.value = {}
  try {
    await api(`${base.value}/plan/settings`, {
      method: 'PUT',
      body: planSettingsSchema.validateSync(form, { abortEarly: false }),
    })
    emit('changed')
    emit('close')
    say.done('That is how posts are planned now.')
  } catch (error) {
    problems.value = problemsOf(error, 'lateMinutes')
  }
}
</script>

<template>
  <OpeningDialog label="How posts are planned" width="30rem" @close="emit('close')">
    <form novalidate @submit.prevent="keep">
      <p>
        <label class="row"
          ><Checkbox v-model="form.needsApproval" binary input-id="needs-approval" />Another person approves each
          post</label
        >
      </p>
      <div class="field">
        <label for="late-minutes">Minutes that a post may be late and still goes out by itself</label>
        <InputText id="late-minutes" v-model="form.lateMinutes" inputmode="numeric" class="short" />
        <p v-if="problems.lateMinutes" class="field-error" role="alert">{{ problems.lateMinutes }}</p>
        <small class="quiet">Later ones, as after an outage, wait for a decision.</small>
      </div>
      <Button type="submit" label="Keep it" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
p {
  margin-bottom: 10px;
}
.short {
  width: 6rem;
}
</style>
