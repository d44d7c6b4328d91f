import type { PublicPage } from './linkPages'

const escape = (text: string): string => text.replace(/[&<>"']/g, (letter) => `&#${letter.codePointAt(0)};`)

const frame = (title: string, style: string, body: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex">
<title>${escape(title)}</title>
<style>
*{box-sizing:border-box}
body{margin:0;font:1.05rem/1.5 Georgia,'Times New Roman',serif;${style}}
main{max-width:32rem;margin:0 auto;padding:2.5rem 1.25rem 3rem}
h1{font-size:1.7rem;line-height:1.2;margin:0 0 .6rem}
h2{font-size:1rem;font-style:italic;margin:1.8rem 0 .2rem}
p{margin:0 0 1.2rem;white-space:pre-line}
ul{list-style:none;margin:0;padding:0}
a{display:block;padding:.85rem 0;color:inherit;overflow-wrap:anywhere}
</style>
</head>
<body>
<main>
${body}
</main>
</body>
</html>
`

/** A public page of links as HTML: one column, no script, nothing from elsewhere. */
export function publicHtml({ title, intro, ground, ink, accent, code, parts }: PublicPage): string {
  const lists: string[] = []
  for (const part of parts) {
    if (part.code === undefined) lists.push(`<h2>${escape(part.text)}</h2>`)
    else {
      const link = `<li><a href="/l/${part.code}?p=${code}">${escape(part.text)}</a></li>`
      const last = lists.at(-1)
      if (last?.startsWith('<ul')) lists[lists.length - 1] = last.replace('</ul>', `${link}</ul>`)
      else lists.push(`<ul>${link}</ul>`)
    }
  }
  const style = `background:${ground};color:${ink}}\nli{border-bottom:1px solid ${ink}40}\na{color:${accent}!important`
  const body = `<h1>${escape(title)}</h1>${intro ? `\n<p>${escape(intro)}</p>` : ''}\n${lists.join('\n')}`
  return frame(title, style, body)
}

/** What stands where a link or a page is not, or not any more. */
export const notThereHtml = (title: string, sentence: string): string =>
  frame(title, 'background:#FAF8F3;color:#1B2333', `<h1>${escape(title)}</h1>\n<p>${escape(sentence)}</p>`)
