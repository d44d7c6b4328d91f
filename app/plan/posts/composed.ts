import {
  NETWORK_RULES,
  ruleProblems,
  textWithLink,
  type PlanContent,
  type RuleProblem,
} from '~~/core/plan/networkRules'
import { textLength } from '~~/core/plan/textLength'
import type { PlanFileView } from '~~/shared/plan/planFiles'
import { plannedSchema, type PlannedInput, type PlannedPost, type PlanTarget } from '~~/shared/plan/plannedPosts'

/** What is known of a post that is being written: what was kept of it, or nothing yet. */
export const formOf = (post?: PlannedPost): PlannedInput =>
  structuredClone(
    post
      ? {
          ...plannedSchema.getDefault(),
          ...post.content,
          at: post.at,
          isIdea: post.state === 'idea',
          postings: post.postings.map(({ profile, text, isByHand }) => ({ profile, text, isByHand })),
        }
      : plannedSchema.getDefault(),
  )

/** What one profile’s network would be given. */
export function givenTo(form: PlannedInput, profile: number, files: readonly PlanFileView[]): PlanContent {
  const own = form.postings.find((posting) => posting.profile === profile)?.text
  return {
    ...form,
    text: own ?? form.text,
    media: form.media.flatMap(({ file, alt }) => {
      const known = files.find(({ id }) => id === file)
      return known ? [{ type: known.type, bytes: known.bytes, isAnimated: known.isAnimated, alt }] : []
    }),
  }
}

/** How a post stands with one profile: how long its text is, and what its network will not take. */
export interface Standing {
  target: PlanTarget
  words: string
  problems: RuleProblem[]
}

/** How a post stands with each of its profiles. */
export function standings(
  form: PlannedInput,
  targets: readonly PlanTarget[],
  files: readonly PlanFileView[],
  locale: string,
): Standing[] {
  return form.postings.flatMap(({ profile }) => {
    const target = targets.find(({ id }) => id === profile)
    if (!target) return []
    const { text, takesLink } = NETWORK_RULES[target.network]!
    const given = givenTo(form, profile, files)
    const length = textLength(takesLink ? textWithLink(given) : given.text, text.counting, text.linkLength)
    return [
      {
        target,
        words: `${length.toLocaleString(locale)} of ${text.most.toLocaleString(locale)} letters`,
        problems: ruleProblems(given, target.network),
      },
    ]
  })
}

/** What can be written for some networks beside the text: headings, a collection, the kind of a listing’s post. */
export const extrasOf = (networks: readonly string[]) => {
  const rules = networks.map((network) => NETWORK_RULES[network]!)
  return {
    heading: rules.some(({ heading }) => heading),
    collection: rules.some(({ needsCollection }) => needsCollection),
    kind: rules.some(({ kinds }) => kinds),
  }
}
