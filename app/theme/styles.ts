import { addTemplate, addVitePlugin, defineNuxtModule } from 'nuxt/kit'
import BaseComponentStyle from '@primevue/core/basecomponent/style'
import BaseStyle from '@primevue/core/base/style'
import { Theme } from '@primeuix/styled'
import { zafferTheme } from './preset'

/** What of a component's style is used here. */
interface Style {
  getStyleSheet: () => string
  getCommonThemeStyleSheet: () => string
  getThemeStyleSheet: () => string
}

/** The rules within style elements. */
const rulesOf = (sheet: string): string =>
  [...sheet.matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)].map(([, css]) => css).join('\n')

/**
 * The theme's styles of some components as one text, in the layer that the application's own rules stand above.
 *
 * @example await themeStyles(['Button'])
 */
export async function themeStyles(components: readonly string[]): Promise<string> {
  Theme.setTheme({
    preset: zafferTheme,
    options: { darkModeSelector: '.dark', cssLayer: { name: 'primevue', order: 'base, primevue, app' } },
  })
  const own = await Promise.all(
    components.map(
      async (name) => ((await import(`primevue/${name.toLowerCase()}/style`)) as { default: Style }).default,
    ),
  )
  const all = [BaseStyle, BaseComponentStyle, ...own] as unknown as Style[]
  return [
    ...all.map((style) => style.getStyleSheet()),
    all[0]!.getCommonThemeStyleSheet(),
    ...all.map((style) => style.getThemeStyleSheet()),
  ]
    .map(rulesOf)
    .join('\n')
}

/**
 * Puts the theme's styles into the application's own style file, which a browser keeps: otherwise they would stand in
 * every page, and once more in its scripts.
 */
export default defineNuxtModule<{ components: string[] }>({
  meta: { name: 'theme-styles', configKey: 'themeStyles' },
  async setup({ components }, nuxt) {
    const css = await themeStyles(components)
    const { dst } = addTemplate({ filename: 'theme.css', write: true, getContents: () => css })
    nuxt.options.css.push(dst)
    addVitePlugin({
      name: 'theme-styles-in-a-file',
      enforce: 'pre',
      load: (id) => (/@primeuix\/styles\//.test(id) ? `export const style = ''` : undefined),
    })
  },
})
