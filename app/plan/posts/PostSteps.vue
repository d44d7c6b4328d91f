<script setup lang="ts">
/** Where a post stands, where it can go, what was said of it, and what became of it with each profile. */
import { PLAN_STATE_NAMES, type MoveTo } from '~~/core/plan/postStates'
import { formatSignedShare } from '~~/core/format/numbers'
import { slotName } from '~~/core/times/slots'
import type { PlannedPost } from '~~/shared/plan/plannedPosts'
import { MOVE_WORDS, stepWords } from './planWords'

const props = defineProps<{ post: PlannedPost; address: string; mayWrite: boolean; isChanged: boolean }>()
const emit = defineEmits<{ changed: [] }>()
const say = useSay()
const locale = useLocale()
const { slug } = useClient()
const remark = ref('')
const isBusy = ref(false)
async function act(work: () => Promise<unknown>, done: string) {
  isBusy.value = true
  try {
    await work()
    remark.value = ''
    emit('changed')
    say.done(done)
  } catch (problem) {
    say.problem(problem)
    emit('changed')
  }
  isBusy.value = false
}
const move = (to: MoveTo) =>
  act(
    () =>
      api(`${props.address}/state`, {
        method: 'POST',
        body: { to, version: props.post.version, remark: remark.value },
      }),
    `The post is ${PLAN_STATE_NAMES[to]} now.`,
  )
const leaveRemark = () =>
  act(() => api(`${props.address}/remarks`, { method: 'POST', body: { text: remark.value } }), 'The remark is kept.')
type Posting = PlannedPost['postings'][number]
const DECIDED: Record<string, (network: string) => string> = {
  published: () => 'Kept as published.',
  again: (network) => `It goes to ${network} now.`,
  leave: (network) => `It is left out on ${network}.`,
}
const decide = ({ profile, networkName }: Posting, decision: string, address: string) =>
  act(
    () =>
      api(`${props.address}/postings/${profile}`, {
        method: 'PUT',
        body: { decision, address },
      }),
    DECIDED[decision]!(networkName),
  )
const link = reactive({ reader: '', path: '' })
async function makeLink() {
  try {
    const { path } = await api<{ path: string }>(`${props.address}/approval-links`, {
      method: 'POST',
      body: { reader: link.reader },
    })
    link.path = `${window.location.origin}${path}`
    emit('changed')
  } catch (problem) {
    say.problem(problem)
  }
}
const endLinks = () =>
  act(async () => {
    await api(`${props.address}/approval-links`, { method: 'DELETE' })
    link.path = ''
  }, 'No link to it works any more.')
const waiting = computed(() =>
  props.post.postings.filter(({ state }) => state === 'to do' || state === 'late' || state === 'failed'),
)
/** What is published by hand may be out already: somewhere else, or before it was written down here. */
const recordable = computed(() =>
  props.post.postings.filter(({ state, isByHand }) => isByHand && state === '' && props.post.state !== 'publishing'),
)
const isOnItsWay = computed(() => props.post.postings.some(({ state }) => state !== ''))
const outcome = (profile: number) => props.post.outcomes.find((each) => each.profile === profile)
</script>

<template>
  <div>
    <h2>Where it stands</h2>
    <p>
      <b>{{ PLAN_STATE_NAMES[post.state] }}</b
      >, written by {{ post.writtenName || 'somebody who is gone'
      }}<template v-if="post.approvedName && post.isApproved">, approved by {{ post.approvedName }}</template
      ><template v-else-if="post.approvedName">, changed since {{ post.approvedName }} has approved it</template>.
      <template v-if="post.series">{{ post.series.turn }} of a series of {{ post.series.of }}.</template>
    </p>
    <p v-if="post.expected" class="quiet">
      Planned for {{ slotName(post.expected.slot)
      }}<template v-if="post.expected.number">, suggested slot {{ post.expected.number }}</template
      ><template v-if="post.expected.lift"
        >: {{ formatSignedShare(post.expected.lift.value, locale) }} expected, between
        {{ formatSignedShare(post.expected.lift.low, locale, 'down') }} and
        {{ formatSignedShare(post.expected.lift.high, locale, 'up') }}</template
      ><template v-else>: too few posts there to expect anything</template>.
    </p>
    <ul v-if="isOnItsWay" class="postings">
      <li v-for="each in post.postings" :key="each.profile">
        {{ each.profileName }}, {{ each.networkName }}: {{ each.state || 'not yet' }}
        <a v-if="each.address" :href="each.address" target="_blank" rel="noreferrer">its address</a>
        <NuxtLink v-else-if="each.remoteId" :to="`/${slug}/content/${each.profile}/${each.remoteId}`"
          >what it brings</NuxtLink
        >
        <span v-if="outcome(each.profile)">
          came out at {{ formatSignedShare(outcome(each.profile)!.beside, locale) }} beside usual</span
        >
        <p v-if="each.refusal" class="field-error">{{ each.refusal }}</p>
      </li>
    </ul>
    <template v-if="mayWrite">
      <PostDecision
        v-for="open in waiting"
        :key="open.profile"
        :posting="open"
        :is-alone="post.postings.length === 1"
        :is-busy="isBusy"
        @decide="decide"
      />
      <section v-for="open in isChanged ? [] : recordable" :key="`out ${open.profile}`" class="recorded">
        <p class="quiet">Is it out on {{ open.networkName }} already?</p>
        <PostDecision :posting="open" is-alone :is-busy="isBusy" @decide="decide" />
      </section>
      <template v-if="post.state !== 'published'">
        <div class="field">
          <label for="post-remark">Remark</label>
          <Textarea id="post-remark" v-model="remark" rows="2" auto-resize fluid :maxlength="2000" />
        </div>
        <p v-if="isChanged" class="quiet">Keep what you have changed first; then it can be moved on.</p>
        <div class="row">
          <Button
            v-for="(to, index) in post.moves"
            :key="to"
            type="button"
            :label="MOVE_WORDS[to](post.state)"
            size="small"
            :outlined="index > 0"
            :disabled="isBusy || isChanged"
            @click="move(to)"
          />
          <Button
            v-if="remark"
            type="button"
            label="Only leave the remark"
            text
            size="small"
            :disabled="isBusy"
            @click="leaveRemark"
          />
        </div>
        <p v-if="post.state === 'waiting' && !post.moves.includes('approved')" class="quiet">
          Somebody else approves it: a colleague, or a reader outside by a link.
        </p>
        <ul v-if="post.problems.length" class="problems">
          <li v-for="{ profile, found } in post.problems" :key="profile">
            <p v-for="{ sentence } in found" :key="sentence" class="field-error">{{ sentence }}</p>
          </li>
        </ul>
      </template>
      <template v-if="post.state === 'waiting'">
        <div class="field">
          <label for="link-reader">A link for a reader outside: who is it for?</label>
          <InputText id="link-reader" v-model="link.reader" size="small" fluid :maxlength="120" />
        </div>
        <Button
          type="button"
          label="Make the link"
          text
          size="small"
          :disabled="!link.reader.trim()"
          @click="makeLink"
        />
        <p v-if="link.path" class="link" role="status">{{ link.path }}</p>
        <p v-if="post.readers.length" class="quiet">Links that work: {{ post.readers.join(', ') }}.</p>
        <Button
          v-if="post.readers.length"
          type="button"
          label="End every link to it"
          text
          size="small"
          :disabled="isBusy"
          @click="endLinks"
        />
      </template>
    </template>
    <template v-if="post.remarks.length">
      <h2>What was said and done</h2>
      <ol>
        <li v-for="each in post.remarks" :key="each.id" :class="{ quiet: !each.isOfThis }">
          <b>{{ each.who }}</b> {{ stepWords(each.step) }},
          {{
            each.writtenAt.toLocaleString(locale, {
              day: 'numeric',
              month: 'short',
              hour: '2-digit',
              minute: '2-digit',
            })
          }}<template v-if="!each.isOfThis"> (of an earlier version)</template>
          <p v-if="each.text" class="said">{{ each.text }}</p>
        </li>
      </ol>
    </template>
  </div>
</template>

<style scoped>
.field,
.row {
  margin: 8px 0;
}
ul,
ol {
  list-style: none;
  margin: 8px 0;
}
.said {
  white-space: pre-wrap;
}
.link {
  overflow-wrap: anywhere;
}
</style>
