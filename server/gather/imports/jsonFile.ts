import { Parser } from 'htmlparser2'
import { parse } from 'lossless-json'
import { activityRows, isActivityStreams } from '../../../core/imports/activityRows'
import { jsonRows } from '../../../core/imports/jsonRows'
import { Unreadable } from '../../../core/unreadable'
import { LARGEST_JSON_BYTES } from '../../../shared/gather/imports'

/** What is said of a JSON file that is too large to be taken. */
export const tooLargeJson = (): string =>
  `A JSON file can have ${LARGEST_JSON_BYTES / 1024 ** 2} MB at the most. Bring the rows as CSV, or split it by year.`

/** Whether a file begins as a JSON text does that can hold rows: with an object, or a list of objects or of lists. */
export const isJson = (beginning: Buffer): boolean =>
  /^\uFEFF?\s*(?:\{\s*["}]|\[\s*[[{\]])/.test(beginning.toString('utf8', 0, 200))

/**
 * The rows of a JSON file, with its headings: posts of Activity Streams 2.0, or any list of objects. Numbers stay as
 * they are written.
 *
 * @throws Unreadable when it is no JSON, or holds no rows
 */
export function readJson(content: Buffer): string[][] {
  if (content.length > LARGEST_JSON_BYTES) throw new Unreadable(tooLargeJson())
  const value = parsed(content.toString('utf8').replace(/^\uFEFF/, ''))
  const rows = isActivityStreams(value) ? activityRows(value, plainOf) : jsonRows(value)
  if (rows.length < 2) throw new Unreadable('The file has no rows.')
  return rows
}

function parsed(text: string): unknown {
  try {
    return parse(text, undefined, (digits) => digits)
  } catch (error) {
    throw new Unreadable(
      `This is no JSON that can be read: ${(error as Error).message.slice(0, 160)}. Export it again, or bring CSV.`,
      { cause: error },
    )
  }
}

/** HTML without its marks, a space where lines and paragraphs end; what belongs to scripts and styles is left out. */
function plainOf(html: string): string {
  let text = ''
  let silent = 0
  const parser = new Parser({
    ontext: (part) => void (silent === 0 && (text += part)),
    onopentag: (name) => {
      if (['script', 'style'].includes(name)) silent++
      else if (['br', 'p', 'div', 'li'].includes(name)) text += ' '
    },
    onclosetag: (name) => {
      if (['script', 'style'].includes(name)) silent--
      else if (['p', 'div', 'li'].includes(name)) text += ' '
    },
  })
  parser.end(html)
  return text
}
