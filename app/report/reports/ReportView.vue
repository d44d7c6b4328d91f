<script setup lang="ts">
import { describeInstant, describeDay, shortDay } from '~~/core/periods/describePeriod'
import type { SharedEdition } from '~~/shared/report/editions'
import { regionNames } from '~~/shared/report/headingOf'

const props = defineProps<{
  edition: SharedEdition
  /** Whether it is looked at before it is issued. */ isPreview?: boolean
}>()
const content = computed(() => props.edition.content)
const names = computed(() => regionNames(content.value.blocks))
const ready = ref(0)
const isReady = computed(() => ready.value >= content.value.blocks.length)
/** An image, not markup: a picture cannot run anything. */
const logo = computed(() =>
  content.value.agency.logo ? `data:image/svg+xml;utf8,${encodeURIComponent(content.value.agency.logo)}` : undefined,
)
const issued = computed(() => describeInstant(props.edition.issuedAt))
const hasGaps = computed(() =>
  content.value.blocks.some(
    (block) =>
      block.kind === 'table' &&
      block.rows.some((row) =>
        Object.values(row.figures).some(({ figure }) => figure.coverage.present < figure.coverage.expected),
      ),
  ),
)
</script>

<template>
  <article :data-ready="isReady" :style="{ '--agency': content.agency.colour }">
    <header>
      <img v-if="logo" :src="logo" :alt="content.agency.name" width="44" height="44" />
      <div>
        <p class="agency">{{ content.agency.name }}</p>
        <p class="quiet">for {{ content.client }}</p>
      </div>
      <p class="number">
        Edition {{ edition.number }}<br /><span class="quiet">{{ isPreview ? 'not issued yet' : issued }}</span>
      </p>
    </header>
    <p v-if="edition.supersededBy" class="superseded" role="note">
      A later edition stands in the place of this one: edition {{ edition.supersededBy.number }} of “{{
        edition.supersededBy.title
      }}”, issued on {{ describeInstant(edition.supersededBy.issuedAt) }}.
    </p>
    <p v-for="other in edition.supersedes ?? []" :key="other.number" class="quiet" role="note">
      It stands in the place of edition {{ other.number }} of “{{ other.title }}”, issued on
      {{ describeInstant(other.issuedAt) }}.
    </p>
    <p v-if="edition.reader" class="quiet">For {{ edition.reader }}.</p>
    <h1>{{ content.title }}</h1>
    <p class="scope">
      {{ content.who }} from {{ content.periodWords
      }}<template v-if="content.against"> against {{ content.against.words }}</template
      >. Figures up to {{ describeDay(content.figuresUpTo) }}.
    </p>
    <SinceText v-if="content.since?.length" :since="content.since" />
    <ReportBlock
      v-for="block in content.blocks"
      :key="block.id"
      :block="block"
      :name="names.get(block.id)"
      :notes="content.notes"
      :time-zone="content.timeZone"
      :is-rich="content.format >= 2"
      is-plain
      @ready="ready++"
    />
    <section v-if="content.notes.length" class="notes">
      <h2 class="heading">Notes</h2>
      <ol>
        <li v-for="note in content.notes" :key="note.id">
          <b>{{ note.title }}</b>
          {{ note.from === note.to ? shortDay(note.from) : `${shortDay(note.from)} – ${shortDay(note.to)}` }}.
          {{ note.body }}
        </li>
      </ol>
    </section>
    <footer>
      <p v-if="hasGaps">
        * some days have no data, or the change rests on fewer than all; what it rests on stands below its block.
      </p>
      <p>
        No clear change: what is not known, or chance alone, may be all of it. As usual: four of five such changes of
        the past year were as large. Neither is called better or worse.
      </p>
      <p>
        ≈ is an estimate, with its range beside it; people who were seen on two profiles or days are one person, so
        reach is never added.
      </p>
      <p>{{ content.agency.name }}, {{ content.agency.address }}, {{ content.agency.contact }}</p>
      <p>
        SHA-256 of the {{ isPreview ? 'content as it would be frozen' : 'frozen content' }}:
        <code>{{ edition.sha256 }}</code
        ><template v-if="isPreview">.</template
        ><template v-else-if="edition.isIntact">, checked: unchanged since it was issued.</template
        ><strong v-else class="worse">, does not fit: the content was changed after it was issued.</strong>
      </p>
      <p v-if="edition.pdfSha256" class="no-print">
        SHA-256 of the PDF: <code>{{ edition.pdfSha256 }}</code
        >.
      </p>
    </footer>
  </article>
</template>

<style scoped>
header {
  display: flex;
  gap: 12px;
  align-items: center;
  border-bottom: 3px solid var(--agency);
  padding-bottom: 10px;
}
.agency {
  font: 600 var(--text-heading) var(--serif);
}
.number {
  margin-left: auto;
  text-align: right;
  font-weight: 650;
}
.number .quiet {
  font-weight: 400;
}
h1 {
  font: 600 var(--text-title)/1.2 var(--serif);
  margin-top: 18px;
}
.scope {
  font: 400 var(--text-heading)/1.4 var(--serif);
  color: var(--ink2);
}
.notes ol {
  padding-left: 20px;
}
footer {
  border-top: 1px solid var(--rule2);
  margin-top: 24px;
  padding-top: 8px;
  font-size: var(--text-least);
  color: var(--ink2);
}
/* of screen and paper alike: a reader has to see it */
.superseded {
  border-left: 3px solid var(--worse);
  padding: 4px 0 4px 10px;
  margin-top: 10px;
  font-weight: 600;
}
code {
  font-size: var(--text-least);
  overflow-wrap: anywhere;
  font-family: var(--sans);
}
</style>
