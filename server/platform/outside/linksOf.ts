import { Parser } from 'htmlparser2'

/** No page that a person reads has more links than these; the rest is not looked at. */
const MOST_LINKS = 2000

/**
 * The addresses that a page links to, in their order, each once. Nothing of the page is run.
 *
 * @param base  the address of the page, for links that are written without one
 * @param most  how many are taken
 */
export function linksOf(html: string, base: string, most = MOST_LINKS): string[] {
  const found = new Set<string>()
  const parser = new Parser({
    onopentag(name, { href }) {
      if (found.size < most && (name === 'a' || name === 'link' || name === 'area') && href && URL.canParse(href, base))
        found.add(new URL(href, base).href)
    },
  })
  parser.end(html)
  return [...found]
}
