<script setup lang="ts">
import Sortable from 'sortablejs'
import { DECLARED_BLOCKS, LONGEST_TITLE, type Block } from '~~/shared/report/blocks'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'
import type { DraftState } from '~/report/reports/useReport'
import { AGAINST_CHOICES } from '~/figures/scope/againstChoices'
import type OpeningPopover from '~/platform/shell/OpeningPopover.vue'
import { newBlock } from '~/report/reports/newBlock'

definePageMeta({ margin: true })
const route = useRoute()
const session = useSession()
const shell = useShell()
const say = useSay()
const { tick } = useFirstSteps()
const refresh = useRefresh()
const { slug, base } = useClient()
const { follow } = useJob()
const { description } = useScope()
const {
  draft,
  content,
  state,
  problem,
  editions,
  theirs,
  differences,
  canUndo,
  canRedo,
  open,
  save,
  change,
  step,
  settle,
  settled,
} = useReport(computed(() => String(route.params.report)))
const trouble = ref('')
const isChoosing = ref(false)
const isIssuing = ref(false)
const isLooking = ref(false)
const explained = ref<ComparedFigure>()
const list = ref<HTMLElement>()
const kind = ref<Block['kind']>()
const STATES: Record<DraftState, string> = {
  'saved': 'Saved',
  'saving': 'Saving …',
  'changed': 'Not saved yet',
  'offline': 'No line: kept in this browser, and saved when the line is back',
  'refused': 'Not saved: kept in this browser',
  'two versions': 'Not saved: there are two versions',
}
const against = ref<InstanceType<typeof OpeningPopover>>()
/** What it is compared with, by name or in the words that are kept. */
const againstName = computed(
  () =>
    AGAINST_CHOICES.find(({ value }) => value === draft.value?.against)?.name ?? content.value?.against?.words ?? '',
)
const filled = (id: string) => content.value?.blocks.find((block) => block.id === id)
/** The rolling periods are kept as words in the address's form; a person reads and writes them with spaces. */
const periodWords = computed(
  () => draft.value?.period.replaceAll(/(?<=[a-z\d])-(?=[a-z]|\d+-[a-z])/g, ' ').replace('..', ' to ') ?? '',
)
useHead({ title: () => `${draft.value?.title ?? 'Report'} · Zaffer` })

await open().catch((error: Error) => (trouble.value = error.message))

let sortable: Sortable | undefined
watch(list, (element) => {
  sortable?.destroy()
  if (!element || !session.mayWrite) return
  sortable = Sortable.create(element, {
    handle: '.handle',
    draggable: '.editor',
    animation: 0,
    onEnd: ({ item, oldIndex, newIndex, from }) => {
      if (oldIndex === undefined || newIndex === undefined || oldIndex === newIndex) return
      // the list is the store's to order: put the element back and let it be drawn anew
      from.insertBefore(item, from.children[oldIndex < newIndex ? oldIndex : oldIndex + 1] ?? null)
      move(oldIndex, newIndex)
    },
  })
})
onBeforeUnmount(() => sortable?.destroy())

function move(from: number, to: number) {
  if (!draft.value || to < 0 || to >= draft.value.blocks.length) return
  change(({ blocks }) => blocks.splice(to, 0, ...blocks.splice(from, 1)))
}
async function moveByKey(index: number, by: number) {
  const id = draft.value?.blocks[index]?.id
  move(index, index + by)
  await nextTick()
  list.value?.querySelector<HTMLElement>(`[data-block="${id}"] .handle`)?.focus()
}
const edit = (index: number, part: Partial<Block>) => change(({ blocks }) => Object.assign(blocks[index]!, part))
const add = (added: Block['kind'] | null | undefined) => {
  if (added) change(({ blocks }) => blocks.push(newBlock(added)))
  nextTick(() => (kind.value = undefined))
}
const text = (event: Event) => (event.target as HTMLInputElement).value
/** A text of a block, letter by letter. */
const write = (index: number, part: 'title' | 'text' | 'comment', written: string) =>
  change(({ blocks }) => (blocks[index]![part] = written), `${part} of ${draft.value!.blocks[index]!.id}`)

function explain(compared: ComparedFigure) {
  explained.value = compared
  shell.isMarginOpen = true
}

/** Shows what would be issued, once what is on the screen is on the server. */
async function look() {
  trouble.value = ''
  try {
    await settled()
    isLooking.value = true
    tick('look')
  } catch (error) {
    trouble.value = (error as Error).message
  }
}
async function issue(sha256: string) {
  isIssuing.value = true
  trouble.value = ''
  try {
    const { job } = await api<{ job: number }>(`${base.value}/reports/${String(route.params.report)}/editions`, {
      method: 'POST',
      body: { requestKey: crypto.randomUUID(), sha256 },
    })
    const done = await follow(job)
    tick('issue')
    await refresh('editions')
    await navigateTo(`/${slug.value}/editions/${(done.result as { edition: number }).edition}`)
  } catch (error) {
    trouble.value = (error as Error).message
    isLooking.value = false
    say.problem(error)
  } finally {
    isIssuing.value = false
  }
}

useEventListener('keydown', (event: KeyboardEvent) => {
  if (
    !(event.ctrlKey || event.metaKey) ||
    event.key.toLowerCase() !== 'z' ||
    (event.target as HTMLElement).closest('input, textarea')
  )
    return
  event.preventDefault()
  if (event.shiftKey ? canRedo.value : canUndo.value) step(!event.shiftKey)
})
/** Whoever leaves waits until it is saved; where it cannot be, they are asked. */
onBeforeRouteLeave(async () => {
  if (state.value === 'changed' || state.value === 'saving') await settled().catch(() => undefined)
  return (
    state.value === 'saved' ||
    window.confirm(
      'This report has changes that are not on the server yet. They are kept in this browser, and come back when the ' +
        'report is opened here again. Leave all the same?',
    )
  )
})
</script>

<template>
  <div>
    <PageHead title="What do we tell the client?">
      <template v-if="session.mayWrite && draft">
        <span class="quiet" role="status">{{ STATES[state] }}</span>
        <Button label="Undo" text :disabled="!canUndo" @click="step(true)" />
        <Button label="Redo" text :disabled="!canRedo" @click="step(false)" />
        <Button
          :label="`Look at edition ${editions + 1}`"
          title="Shows exactly what would be issued, before it is"
          :loading="isIssuing"
          aria-haspopup="dialog"
          @click="look"
        />
        <LazyIssueDialog
          v-if="isLooking"
          :address="`${base}/reports/${String(route.params.report)}`"
          :is-issuing="isIssuing"
          @close="isLooking = false"
          @issue="issue"
        />
      </template>
    </PageHead>
    <p v-if="trouble || problem" class="field-error" role="alert">
      {{ trouble || problem }}
      <Button v-if="problem && state !== 'two versions'" label="Try again" text @click="save" />
    </p>
    <p v-if="state === 'two versions'" class="field-error" role="alert">
      Somebody else, or another window of yours, has changed this report meanwhile.
      <Button label="See both versions" aria-haspopup="dialog" text @click="isChoosing = true" />
    </p>
    <TwoVersions
      v-if="isChoosing && theirs"
      :differences="differences"
      @close="isChoosing = false"
      @choose="
        (how) => {
          isChoosing = false
          settle(how)
        }
      "
    />
    <template v-if="draft">
      <h2 v-if="!session.mayWrite" class="title">{{ draft.title }}</h2>
      <div v-else class="row setup no-print">
        <div class="field grow">
          <label for="report-title">Title</label
          ><InputText
            id="report-title"
            :model-value="draft.title"
            @input="change((d) => (d.title = text($event)), 'title')"
          /><LettersLeft :text="draft.title" :most="LONGEST_TITLE" />
        </div>
        <div class="field">
          <label for="report-period">Period</label
          ><InputText
            id="report-period"
            :model-value="periodWords"
            aria-describedby="report-scope"
            @change="change((d) => (d.period = text($event)))"
          />
        </div>
        <div class="field">
          <span class="field-label">Against</span
          ><Button
            :label="againstName"
            outlined
            :aria-label="`Against: ${againstName}`"
            aria-haspopup="dialog"
            @click="against?.toggle($event)"
          />
        </div>
        <OpeningPopover ref="against" label="Choose the comparison"
          ><LazyAgainstChooser
            v-if="description.data.value && content"
            :chosen="draft.against"
            :last-complete="description.data.value.lastComplete"
            :period="content.period"
            @choose="
              (value) => {
                against?.hide()
                change((d) => (d.against = value))
              }
            "
        /></OpeningPopover>
      </div>
      <p v-if="content" id="report-scope" class="scope">
        {{ content.who }} from {{ content.periodWords
        }}<template v-if="content.against"> against {{ content.against.words }}</template
        >. Live: the figures move until an edition is issued.
        <a
          :href="`${base}/reports/${String(route.params.report)}/tables?format=xlsx`"
          download
          class="no-print workbook"
          >Workbook</a
        >
      </p>
      <SinceText v-if="content?.since?.length" :since="content.since" />
      <p v-if="draft.blocks.length === 0" class="quiet">The report is empty. Add its first block below.</p>
      <div ref="list">
        <BlockEditor
          v-for="(block, index) in draft.blocks"
          :key="block.id"
          :block="block"
          :filled="filled(block.id)"
          :number="index + 1"
          :of="draft.blocks.length"
          :content="content"
          :known="description.data.value"
          :tables="`${base}/reports/${String(route.params.report)}/tables?block=${block.id}`"
          @edit="(part) => edit(index, part)"
          @write="(part, written) => write(index, part, written)"
          @move="(by) => moveByKey(index, by)"
          @remove="change(({ blocks }) => blocks.splice(index, 1))"
          @select="explain"
        />
      </div>
      <div v-if="session.mayWrite" class="row add no-print">
        <Select
          v-model="kind"
          :options="DECLARED_BLOCKS.map((declared) => ({ value: declared.kind, name: declared.name }))"
          option-label="name"
          option-value="value"
          placeholder="Add a block"
          aria-label="Add a block"
          @update:model-value="add"
        />
      </div>
    </template>
    <Teleport v-if="shell.marginPlace" :to="shell.marginPlace">
      <section class="in-margin">
        <h2>Workings</h2>
        <WorkingsText v-if="explained" :compared="explained" />
        <p v-else class="quiet">Select a figure to see how it came about.</p>
      </section>
    </Teleport>
  </div>
</template>

<style scoped>
.setup {
  align-items: flex-end;
  gap: 16px;
}
.grow {
  flex: 1;
}
.title {
  font: 600 var(--text-title)/1.2 var(--serif);
}
.scope {
  font: 400 var(--text-heading)/1.4 var(--serif);
  color: var(--ink2);
}
.in-margin h2 {
  font: italic 600 15px var(--serif);
  border-bottom: 1px solid var(--rule);
  padding-bottom: 6px;
  margin-bottom: 8px;
}
.add {
  margin-top: 12px;
}
</style>
