import { array, object, string, type InferType } from 'yup'

/** What the owner of an agency can show to a client's viewers beside the editions, which they always see. */
export const RELEASABLE = ['figures', 'rivals', 'reports'] as const
export type Releasable = (typeof RELEASABLE)[number]

export const releasedSchema = object({
  released: array(string().oneOf(RELEASABLE, 'Only figures, rivals and reports can be shown to viewers.').defined())
    .max(RELEASABLE.length)
    .required('Say what viewers may see.'),
})
export type ReleasedInput = InferType<typeof releasedSchema>

/**
 * What a page or a route is about, and so who may see it: `read` everybody who has the whole client, `work` only the
 * agency, `places` whoever sees its figures, and of single places whoever is assigned to those.
 */
export type Needs = 'read' | 'work' | 'places' | Releasable
