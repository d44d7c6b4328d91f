/** What of PrimeVue is used. */
const COMPONENTS = [
  'Button',
  'Checkbox',
  'DatePicker',
  'Dialog',
  'InputText',
  'Menu',
  'Popover',
  'ProgressBar',
  'RadioButton',
  'Select',
  'Textarea',
  'Toast',
]

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  // which pages are drawn on the server, and when: server/middleware/1.drawnHere.ts
  ssr: true,
  devtools: { enabled: false },
  telemetry: { enabled: false },
  modules: [
    './app/theme/styles',
    '@pinia/nuxt',
    '@pinia/colada-nuxt',
    '@primevue/nuxt-module',
    'nuxt-auth-utils',
    'nuxt-security',
    '@vueuse/nuxt',
    '@nuxt/eslint',
  ],
  // a room is a stage and a page, as a person sees them; its components and composables have one name each, and are
  // known everywhere
  components: ['platform', 'figures', 'clients', 'gather', 'read', 'compare', 'plan', 'report'].map((room) => ({
    path: `~/${room}`,
    pathPrefix: false,
    extensions: ['vue'],
  })),
  imports: { dirs: ['platform', 'figures', 'clients', 'report/reports'] },
  css: [
    '@fontsource-variable/source-serif-4/index.css',
    '@fontsource-variable/source-sans-3/index.css',
    // only the parts of it whose emoji a page has are loaded
    '@fontsource/noto-emoji/400.css',
    '~/theme/standIns.css',
    '~/theme/base.css',
  ],
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Zaffer',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'light dark' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  primevue: {
    components: { include: COMPONENTS },
    loadStyles: false,
    // its styles stand in a file of their own: app/theme/styles.ts
    options: { ripple: false, theme: 'none' },
  },
  themeStyles: { components: COMPONENTS },
  auth: { loadStrategy: 'none' },
  runtimeConfig: {
    session: {
      name: 'zaffer',
      maxAge: 60 * 60 * 24 * 14,
      password: '',
      cookie: { sameSite: 'lax', httpOnly: true, secure: false },
    },
  },
  security: {
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    headers: {
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'font-src': ["'self'", 'data:'],
        'connect-src': ["'self'"],
        'frame-ancestors': ["'none'"],
        'form-action': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'upgrade-insecure-requests': false,
      },
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
      referrerPolicy: 'no-referrer',
    },
  },
  // nothing reads them: Node is started without maps
  sourcemap: { server: false, client: false },
  // what is shared by a link is for those who hold it, and for no search engine
  nitro: {
    preset: 'node-server',
    // what is built runs where it was built, beside the packages: they need not be copied
    externals: { trace: false },
    compressPublicAssets: true,
    routeRules: { '/**': { headers: { 'X-Robots-Tag': 'noindex, nofollow' } } },
    // what a route answers is typed in shared/: types taken from the routes would have pages read the whole server
    hooks: { 'types:extend': (types) => void (types.routes = {}) },
  },
  // how large what was built is nobody reads
  vite: { build: { reportCompressedSize: false } },
  experimental: {
    // what is asked while a page is drawn on the server is asked for whoever wants the page
    asyncContext: true,
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  hooks: {
    // what is not needed yet is fetched when it is: on a slow machine it would keep the figures waiting
    'build:manifest': (manifest) => {
      for (const entry of Object.values(manifest)) entry.prefetch = false
    },
  },
  typescript: {
    strict: true,
    tsConfig: {
      compilerOptions: { noUncheckedIndexedAccess: true },
      // a component that nobody knows would be left out without a word
      vueCompilerOptions: { checkUnknownComponents: true },
    },
  },
  eslint: { config: { stylistic: false } },
})
