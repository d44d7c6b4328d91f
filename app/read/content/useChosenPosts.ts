import type { ListedPost } from '~~/shared/read/content'
import type { PostList } from '~~/shared/read/postList'
import { postKey } from './postKey'

/**
 * The posts of a list that are chosen, to be tagged. Those of a list that was left are not.
 *
 * @param posts  what is shown of the list
 * @param asked  what is asked of the list
 */
export function useChosenPosts(posts: () => readonly ListedPost[], asked: () => Record<string, string>) {
  const { slug, base } = useClient()
  const say = useSay()
  const chosen = ref(new Map<string, ListedPost>())
  watch(
    () => {
      const { order: _order, columns: _columns, ...which } = asked()
      return JSON.stringify([slug.value, which])
    },
    () => (chosen.value = new Map()),
  )
  let lastChosen = ''
  /** Chooses a post, or leaves it; as a range, all from the last one to it. */
  function choose(post: ListedPost, isRange: boolean) {
    const key = postKey(post)
    const isOn = !chosen.value.has(key)
    const keys = posts().map(postKey)
    const [from, to] = [isRange ? keys.indexOf(lastChosen) : -1, keys.indexOf(key)]
    const range = from < 0 ? [post] : posts().slice(Math.min(from, to), Math.max(from, to) + 1)
    const next = new Map(chosen.value)
    for (const one of range) {
      if (isOn) next.set(postKey(one), one)
      else next.delete(postKey(one))
    }
    chosen.value = next
    lastChosen = key
  }
  /** Chooses all that are shown, or leaves them. */
  function chooseShown() {
    const isAll = posts().every((post) => chosen.value.has(postKey(post)))
    chosen.value = isAll ? new Map() : new Map(posts().map((post) => [postKey(post), post]))
  }
  /** Chooses every post of the list, also those that are not shown yet. */
  async function chooseEverything() {
    try {
      const all = new Map<string, ListedPost>()
      for (let after: string | null = ''; after !== null; ) {
        const list: PostList = await api<PostList>(`${base.value}/posts`, { query: { ...asked(), after } })
        for (const post of list.posts) all.set(postKey(post), post)
        after = list.next
      }
      chosen.value = all
    } catch (problem) {
      say.problem(problem)
    }
  }
  const chooseNone = () => void (chosen.value = new Map())
  return { chosen, choose, chooseShown, chooseEverything, chooseNone }
}
