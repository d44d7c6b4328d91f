<script setup lang="ts">
import type OpeningPopover from './OpeningPopover.vue'

const session = useSession()
const shell = useShell()
const route = useRoute()
const { slug } = useClient()
const popover = ref<InstanceType<typeof OpeningPopover>>()
const button = ref<HTMLButtonElement>()
const clients = computed(() => session.session?.clients ?? [])
const current = computed(() => clients.value.find((client) => client.slug === slug.value))

watch(
  () => shell.isClientOpen,
  (isOpen) => {
    if (isOpen && button.value) void popover.value?.toggle(new Event('open'), button.value)
    else popover.value?.hide()
  },
)

async function choose(client: string) {
  popover.value?.hide()
  const page = /^\/[^/]+\/([^/]+)/.exec(route.path)?.[1] ?? 'overview'
  const { who: _who, ...rest } = scopeOf(route.query)
  await navigateTo({ path: `/${client}/${page}`, query: rest })
}

useEventListener(
  'keydown',
  (event: KeyboardEvent) => {
    if (!shell.isClientOpen || event.ctrlKey || event.metaKey || event.altKey) return
    const client = clients.value[Number(event.key) - 1]
    if (!client) return
    event.preventDefault()
    event.stopImmediatePropagation()
    void choose(client.slug)
  },
  { capture: true },
)
</script>

<template>
  <button
    ref="button"
    type="button"
    class="client"
    aria-haspopup="dialog"
    @click="shell.isClientOpen = !shell.isClientOpen"
  >
    {{ current?.name ?? 'Choose a client' }} <span aria-hidden="true">⌄</span>
  </button>
  <OpeningPopover ref="popover" label="Clients" @hide="shell.isClientOpen = false">
    <ol>
      <li v-for="(client, index) in clients" :key="client.slug">
        <button type="button" class="bare" :aria-current="client.slug === slug" @click="choose(client.slug)">
          <kbd>{{ index + 1 }}</kbd> {{ client.name }}
        </button>
      </li>
    </ol>
  </OpeningPopover>
</template>

<style scoped>
.client {
  font: inherit;
  color: inherit;
  margin: 10px 12px 8px;
  padding: 6px 8px;
  border: 1px solid var(--rule2);
  background: var(--ground);
  border-radius: 3px;
  font-weight: 600;
  display: flex;
  justify-content: space-between;
  cursor: pointer;
  text-align: left;
}
.client span {
  color: var(--ink3);
}
ol {
  list-style: none;
  display: grid;
  gap: 6px;
}
kbd {
  font: inherit;
  color: var(--ink3);
  margin-right: 6px;
}
[aria-current='true'] {
  font-weight: 650;
}
</style>
