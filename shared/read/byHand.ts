import { array, boolean, number, object, string } from 'yup'
import { MOST_BY_HAND } from './tags'

/** Which posts are tagged by hand, or lose a tag that was set by hand. */
export const byHandSchema = object({
  posts: array(
    object({
      profile: number().integer().min(1).required('Say which profile the post is of.'),
      id: string().required('Say which post it is.').max(40),
    }),
  )
    .required('Choose posts.')
    .min(1, 'Choose posts.')
    .max(
      MOST_BY_HAND,
      `By hand, ${MOST_BY_HAND.toLocaleString('en')} posts are tagged at once. For more, make a rule.`,
    ),
  isSet: boolean().typeError('The tag is set or taken away.').default(true),
})
