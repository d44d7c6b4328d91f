<script setup lang="ts">
import type { AgencyInput } from '~~/shared/platform/agency'

/** What stands of the agency in its reports. */
defineProps<{ problems: Record<string, string> }>()
const agency = defineModel<AgencyInput>({ required: true })
</script>

<template>
  <div class="field">
    <label for="agency-name">Name of the agency</label
    ><InputText id="agency-name" v-model="agency.name" autofocus :invalid="!!problems.name" />
    <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
  </div>
  <div class="field">
    <label for="agency-address">Its postal address</label
    ><InputText id="agency-address" v-model="agency.address" :invalid="!!problems.address" />
    <p v-if="problems.address" class="field-error" role="alert">{{ problems.address }}</p>
  </div>
  <div class="field">
    <label for="agency-contact">Whom readers can ask</label
    ><InputText
      id="agency-contact"
      v-model="agency.contact"
      placeholder="A mail address, or a telephone number"
      :invalid="!!problems.contact"
    />
    <p v-if="problems.contact" class="field-error" role="alert">{{ problems.contact }}</p>
  </div>
  <div class="field">
    <label for="agency-colour">Its colour, at the head of editions</label
    ><input id="agency-colour" v-model="agency.colour" type="color" />
    <p v-if="problems.colour" class="field-error" role="alert">{{ problems.colour }}</p>
  </div>
</template>
