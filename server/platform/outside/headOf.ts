import { Parser } from 'htmlparser2'

/** What a page says of itself: in the tags of Open Graph (ogp.me) where it has them, else in its title and description. */
export interface PageHead {
  title: string
  description: string
  /** The address of its picture; empty where it names none. */
  picture: string
}

const [LONGEST_TITLE, LONGEST_DESCRIPTION] = [200, 500]

/**
 * What a page says of itself. Nothing of the page is run.
 *
 * @param base the address of the page, for a picture that is named without one
 */
export function headOf(html: string, base: string): PageHead {
  const named = new Map<string, string>()
  let title = ''
  let isTitle = false
  const parser = new Parser({
    onopentag(name, { property, name: called, content }) {
      isTitle = name === 'title' && title === ''
      const key = (property ?? called ?? '').toLowerCase()
      if (name === 'meta' && content && !named.has(key)) named.set(key, content)
    },
    ontext(text) {
      if (isTitle) title += text
    },
    onclosetag() {
      isTitle = false
    },
  })
  parser.end(html)
  const plain = (text: string | undefined, most: number) => (text ?? '').replace(/\s+/g, ' ').trim().slice(0, most)
  const picture = named.get('og:image') ?? ''
  return {
    title: plain(named.get('og:title') ?? title, LONGEST_TITLE),
    description: plain(named.get('og:description') ?? named.get('description'), LONGEST_DESCRIPTION),
    picture: picture && URL.canParse(picture, base) ? new URL(picture, base).href : '',
  }
}
