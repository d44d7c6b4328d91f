/** The faces are fetched while the page is still being made, so that it does not move when they come. */
export default defineNuxtPlugin({
  name: 'fonts',
  enforce: 'pre',
  setup() {
    for (const face of ['1em "Source Serif 4 Variable"', '1em "Source Sans 3 Variable"']) void document.fonts.load(face)
  },
})
