import { usePrimeVue } from 'primevue/config'

/** Weeks begin on Monday, as ISO 8601 counts them. */
export default defineNuxtPlugin({
  name: 'calendar',
  setup(nuxtApp) {
    nuxtApp.hook('app:created', (app) => {
      app.runWithContext(() => {
        const { config } = usePrimeVue()
        if (config.locale) config.locale.firstDayOfWeek = 1
      })
    })
  },
})
