import { postFigureById } from '../../../core/posts/postFigures'
import { USUAL_POST_COLUMNS } from '../../../shared/read/postList'
import type { ListedPost } from '../../../shared/read/content'
import { USUAL_ROWS, type FilledPosts } from '../../../shared/read/postsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { instantIn } from '../../platform/tables/instantIn'
import type { Table } from '../../platform/tables/table'
import { postList } from './postList'

export const postsBlock: ReportBlock<FilledPosts> = {
  async fill({ db, scope, block }) {
    const { option, rows = USUAL_ROWS, format = '' } = block
    const order = option || 'interactions'
    return {
      order,
      posts: (await postList(db, scope, { ...block, order, only: format, columns: '', after: '' }, rows)).posts,
    }
  },
  tableOf: ({ posts }, zone) => postTable(posts, zone),
  missingIn: ({ posts }) => (posts.length === 0 ? ['nothing was published in this period.'] : []),
}

/** The figures that every table of posts has. */
const ALWAYS: readonly string[] = USUAL_POST_COLUMNS

/**
 * Posts with their figures, each at the instant of the client's time zone.
 *
 * @param more  which figures stand in it beside the usual ones, and the names of tags where they do
 */
export function postTable(
  list: readonly ListedPost[],
  zone: string,
  { columns = [], tags }: { columns?: readonly string[]; tags?: ReadonlyMap<number, string> } = {},
): Table {
  const chosen = columns.filter((column) => !ALWAYS.includes(column))
  return {
    name: 'Posts',
    columns: [
      text('Id'),
      { title: `Published (${zone})`, kind: 'instant' },
      text('Profile'),
      text('Network'),
      text('Format'),
      text('Text'),
      count('Impressions'),
      count('Interactions'),
      share('Interactions by impression'),
      share('At least'),
      share('At most'),
      ...chosen.map((column) => {
        if (column === 'times') return number('Times usual')
        const { name, unit } = postFigureById(column)
        return unit === 'share' ? share(name) : unit === 'seconds' ? number(`${name}, seconds`) : count(name)
      }),
      ...(tags ? [text('Tags')] : []),
    ],
    rows: list.map((post) => [
      post.id,
      instantIn(post.publishedAt, zone),
      post.name,
      post.networkName,
      post.format,
      post.text,
      post.impressions,
      post.interactions,
      post.rate?.value,
      post.rate?.low,
      post.rate?.high,
      ...chosen.map((column) => (column === 'times' ? post.times : post.figures?.[column]?.value)),
      ...(tags ? [(post.tags ?? []).flatMap((tag) => tags.get(tag) ?? []).join(', ')] : []),
    ]),
  }
}
