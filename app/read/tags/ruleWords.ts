import { describeDay } from '~~/core/periods/describePeriod'
import type { TagRuleInput } from '~~/shared/read/tags'

/**
 * What a rule asks for, in words.
 *
 * @param who  of whom, where that is not everybody
 * @example    ruleWords(rule, 'Video') // 'any of the words lanterns; hashtags #nightopening; of Video; from 1 Oct 2026'
 */
export const ruleWords = (
  { any, all, none, hashtags, formats, from, to }: Omit<TagRuleInput, 'who' | 'isOn'>,
  who: string,
): string =>
  [
    any && `any of the words ${any}`,
    all && `all of the words ${all}`,
    none && `none of the words ${none}`,
    hashtags && `hashtags ${hashtags}`,
    formats && `format ${formats.replaceAll(',', ' or ')}`,
    who && `of ${who}`,
    from && `from ${describeDay(from)}`,
    to && `to ${describeDay(to)}`,
  ]
    .filter(Boolean)
    .join('; ')
