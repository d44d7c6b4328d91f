<script setup lang="ts">
/** The tags of the client, each with its rules; a new one, and what can be changed. */
import type { TagRuleView, TagView } from '~~/shared/read/tags'
import { ruleWords } from './ruleWords'

const session = useSession()
const refreshAll = useRefresh()
const say = useSay()
const locale = useLocale()
const { slug, base } = useClient()
const { description } = useScope()
const { tags, error, isLoading } = useTags()
const edited = ref<TagView | 'new'>()
const ruleOf = ref<{ tag: TagView; rule?: TagRuleView }>()
const refresh = () => refreshAll('tags')
const remove = useRemoval(refresh)
const posts = (count: number) => `${count.toLocaleString(locale)} ${count === 1 ? 'post' : 'posts'}`
const whoOf = (who: string) => {
  const known = description.data.value
  return who
    .split(',')
    .map((part) =>
      part.startsWith('s')
        ? known?.sets.find(({ id }) => `s${id}` === part)?.name
        : known?.profiles.find(({ id }) => String(id) === part)?.name,
    )
    .filter(Boolean)
    .join(' and ')
}
function saved() {
  edited.value = undefined
  ruleOf.value = undefined
  void refresh()
}
async function turn({ id, posts: _posts, isOn, ...rule }: TagRuleView) {
  try {
    await api(`${base.value}/tag-rules/${id}`, { method: 'PUT', body: { ...rule, isOn: !isOn } })
    await refresh()
    say.done(isOn ? 'The rule is off. What it had tagged has lost the tag.' : 'The rule is on again.')
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <section aria-labelledby="tags-heading">
    <div class="row head">
      <h2 id="tags-heading" class="heading">The tags</h2>
      <Button
        v-if="session.mayWrite"
        class="no-print"
        label="New tag"
        size="small"
        aria-haspopup="dialog"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && tags.length === 0" class="quiet">Fetching the tags …</p>
    <p v-else-if="tags.length === 0" class="quiet">
      No tag yet. A tag holds posts together that belong to one subject, campaign or festival: by hand, or by a rule
      such as “hashtag #nightopening”.
    </p>
    <ul class="tags">
      <li v-for="tag in tags" :key="tag.id">
        <div class="row">
          <h3><TagName :name="tag.name" :colour="tag.colour" /></h3>
          <NuxtLink :to="{ path: `/${slug}/content`, query: { tags: String(tag.id), period: 'last-365-days' } }">{{
            posts(tag.posts)
          }}</NuxtLink>
          <span class="quiet"
            >{{ tag.byHand ? `${posts(tag.byHand)} by hand` : 'none by hand'
            }}{{ tag.rivals ? `; and ${posts(tag.rivals)} of rivals` : '' }}</span
          >
          <span v-if="session.mayWrite" class="row right no-print">
            <Button
              label="Add a rule"
              text
              size="small"
              aria-haspopup="dialog"
              :aria-label="`Add a rule to ${tag.name}`"
              @click="ruleOf = { tag }"
            />
            <Button
              label="Change"
              text
              size="small"
              aria-haspopup="dialog"
              :aria-label="`Change ${tag.name}`"
              @click="edited = tag"
            />
            <Button
              label="Remove"
              text
              size="small"
              :aria-label="`Remove ${tag.name}`"
              @click="remove(`${base}/tags/${tag.id}`, `“${tag.name}” was removed.`)"
            />
          </span>
        </div>
        <ul class="rules">
          <li v-for="rule in tag.rules" :key="rule.id" class="row">
            <span :class="{ quiet: !rule.isOn }"
              >Rule: {{ ruleWords(rule, whoOf(rule.who)) }} — {{ rule.isOn ? posts(rule.posts) : 'off' }}</span
            >
            <span v-if="session.mayWrite" class="row right no-print">
              <Button :label="rule.isOn ? 'Switch off' : 'Switch on'" text size="small" @click="turn(rule)" />
              <Button label="Change" text size="small" aria-haspopup="dialog" @click="ruleOf = { tag, rule }" />
              <Button
                label="Remove"
                text
                size="small"
                @click="remove(`${base}/tag-rules/${rule.id}`, 'The rule was removed with what it had tagged.')"
              />
            </span>
          </li>
        </ul>
      </li>
    </ul>
    <TagDialog
      v-if="edited"
      :tag="edited === 'new' ? undefined : edited"
      :usual="1 + (tags.length % 8)"
      @close="edited = undefined"
      @saved="saved"
    />
    <RuleDialog v-if="ruleOf" :tag="ruleOf.tag" :rule="ruleOf.rule" @close="ruleOf = undefined" @saved="saved" />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
.tags,
.rules {
  list-style: none;
}
.tags > li {
  border-bottom: 1px solid var(--rule);
  padding: 4px 0;
}
h3 {
  font-size: 1rem;
}
.rules {
  padding-left: 14px;
}
.right {
  margin-left: auto;
}
</style>
