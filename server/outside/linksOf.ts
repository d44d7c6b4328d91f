import { Parser } from 'htmlparser2'

/**
 * The addresses that a page links to, in their order, each once. Nothing of the page is run.
 *
 * @param base  the address of the page, for links that are written without one
 */
export function linksOf(html: string, base: string): string[] {
  const found = new Set<string>()
  const parser = new Parser({
    onopentag(name, { href }) {
      if ((name === 'a' || name === 'link' || name === 'area') && href && URL.canParse(href, base)) found.add(new URL(href, base).href)
    },
  })
  parser.end(html)
  return [...found]
}
