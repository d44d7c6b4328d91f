/** A text and what is selected in it, by letters. */
export interface Selected {
  text: string
  from: number
  to: number
}

const BULLET = /^(\s*)[-*] /

/**
 * Sets marks round what is selected, or takes them away where they are.
 *
 * @example wrapped({ text: 'up', from: 0, to: 2 }, '**') // { text: '**up**', from: 2, to: 4 }
 */
export function wrapped({ text, from, to }: Selected, mark: string): Selected {
  const [before, inside, after] = [text.slice(0, from), text.slice(from, to), text.slice(to)]
  if (before.endsWith(mark) && after.startsWith(mark))
    return {
      text: before.slice(0, -mark.length) + inside + after.slice(mark.length),
      from: from - mark.length,
      to: to - mark.length,
    }
  if (inside.length >= 2 * mark.length && inside.startsWith(mark) && inside.endsWith(mark))
    return { text: before + inside.slice(mark.length, -mark.length) + after, from, to: to - 2 * mark.length }
  return { text: before + mark + inside + mark + after, from: from + mark.length, to: to + mark.length }
}

/**
 * Makes points of a list of the selected lines, or lines of its points.
 *
 * @example listed({ text: 'a\nb', from: 0, to: 3 }).text // '- a\n- b'
 */
export function listed({ text, from, to }: Selected): Selected {
  const start = text.lastIndexOf('\n', from - 1) + 1
  const end = text.indexOf('\n', to) === -1 ? text.length : text.indexOf('\n', to)
  const lines = text.slice(start, end).split('\n')
  const isList =
    lines.every((line) => BULLET.test(line) || line.trim() === '') && lines.some((line) => BULLET.test(line))
  const changed = lines
    .map((line) => (isList ? line.replace(BULLET, '$1') : line.trim() === '' && lines.length > 1 ? line : `- ${line}`))
    .join('\n')
  return { text: text.slice(0, start) + changed + text.slice(end), from: start, to: start + changed.length }
}

/**
 * Makes a link of what is selected, with its address selected next.
 *
 * @example linked({ text: 'site', from: 0, to: 4 }).text // '[site](https://)'
 */
export function linked({ text, from, to }: Selected): Selected {
  const words = text.slice(from, to)
  const isAddress = /^https?:\/\/\S+$/.test(words)
  const [label, address] = isAddress ? ['', words] : [words, 'https://']
  const made = `[${label}](${address})`
  const at = isAddress || label === '' ? from + 1 : from + label.length + 3
  return {
    text: text.slice(0, from) + made + text.slice(to),
    from: at,
    to: isAddress || label === '' ? at : at + address.length,
  }
}
