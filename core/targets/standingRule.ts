import type { Standing } from './target'

/**
 * Why a target stands as it does, in a sentence: the rule of {@link targetProgress} as it came out.
 *
 * @param hasFailed  whether the range of where it is heading did not hold in its hold-out
 * @param isOver     whether its last day has passed
 * @example          standingRule('on course', { isOver: false, hasFailed: false }) // 'The whole range of where it is
 *                                    heading meets what is wanted.'
 */
export function standingRule(
  standing: Standing,
  { isOver, hasFailed }: { isOver: boolean; hasFailed: boolean },
): string {
  if (standing === 'reached')
    return isOver
      ? 'Its last day has passed, and what is wanted is there.'
      : 'What is wanted is there, and cannot be lost again.'
  if (standing === 'missed')
    return isOver
      ? 'Its last day has passed, and what is wanted is not there.'
      : 'What was not to be exceeded is exceeded, and that stays.'
  if (standing === 'unknown')
    return isOver
      ? 'Its last day has passed; what is known leaves both open.'
      : 'What is certain does not decide it, and there is no forecast.'
  if (standing === 'open')
    return hasFailed
      ? 'Earlier ranges of this kind did not hold, so where it is heading decides nothing.'
      : 'What is wanted lies within the range of where it is heading.'
  return standing === 'on course'
    ? 'The whole range of where it is heading meets what is wanted.'
    : 'The whole range of where it is heading misses what is wanted.'
}
