<script setup lang="ts">
/** The posts of the field that brought most, whoever they are of. */
import { DateTime } from 'luxon'
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import type { Field, FieldPost } from '~~/shared/compare/field'

const props = defineProps<{ field: Field; timeZone: string; isPlain?: boolean }>()
const locale = useLocale()
const { slug } = useClient()
const nameOf = ({ member }: FieldPost) => props.field.members.find(({ id }) => id === member)?.name ?? ''
const COLUMNS = computed(() => [
  { key: 'who', label: 'Whose', isWords: true, valueOf: nameOf },
  {
    key: 'text',
    label: 'Post',
    isWords: true,
    valueOf: ({ text }: FieldPost) => text.toLowerCase(),
    textOf: ({ text }: FieldPost) => text,
  },
  {
    key: 'what',
    label: 'What',
    isWords: true,
    valueOf: ({ networkName, format }: FieldPost) => `${networkName}, ${format}`,
  },
  {
    key: 'when',
    label: 'Published',
    isWords: true,
    valueOf: ({ publishedAt }: FieldPost) => new Date(publishedAt).getTime(),
    textOf: ({ publishedAt }: FieldPost) =>
      DateTime.fromJSDate(new Date(publishedAt), { zone: props.timeZone }).toFormat('d MMM, HH:mm'),
  },
  {
    key: 'interactions',
    label: 'Interactions',
    isFigure: true,
    valueOf: ({ interactions }: FieldPost) => interactions,
    textOf: ({ interactions }: FieldPost) => formatCount(interactions, locale),
  },
  {
    key: 'times',
    label: 'Times usual',
    isFigure: true,
    valueOf: ({ times }: FieldPost) => times ?? -1,
    textOf: ({ times }: FieldPost) => (times === undefined ? '—' : `${oneDecimal(times, locale)} ×`),
  },
])
</script>

<template>
  <div>
    <p v-if="field.posts.length === 0" class="quiet">Nobody in this field has posted in these days.</p>
    <template v-else>
      <OrderedTable
        name="best"
        :columns="COLUMNS"
        :rows="field.posts"
        :key-of="(post) => `${post.member} ${new Date(post.publishedAt).getTime()} ${post.text}`"
        :is-plain="isPlain"
        ><template #text="{ row }"
          ><span class="post"
            ><PostPicture
              v-if="row.alt !== undefined && row.profile && row.id"
              :slug="slug"
              :post="{ profile: row.profile, id: row.id, alt: row.alt }"
              :size="40" /><span
              ><NuxtLink v-if="row.profile && row.id" :to="`/${slug}/content/${row.profile}/${row.id}`">{{
                row.text || 'without a text'
              }}</NuxtLink
              ><template v-else>{{ row.text }}</template
              ><span v-if="row.tags?.length" class="tags"
                ><TagName
                  v-for="tag in row.tags"
                  :key="tag.id"
                  :name="tag.name"
                  :colour="tag.colour" /></span></span></span></template
      ></OrderedTable>
      <p class="quiet small">
        Interactions that everybody can see, so far. Times usual: beside the median post of the same profile in the year
        up to the end of the period.
      </p>
    </template>
  </div>
</template>

<style scoped>
.post {
  display: flex;
  gap: 10px;
}
.tags {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: var(--text-small);
  color: var(--ink2);
}
.small {
  font-size: var(--text-small);
  margin-top: 4px;
}
</style>
