import { boolean, object, string, type InferType } from 'yup'
import { text } from '../platform/text'
import { fieldFields } from './fieldFields'
import { SCOPE_RULES, type ScopeRule } from './scope'

const ruled = ({ most, tooLong, pattern, unlike }: ScopeRule) => {
  const field = string().typeError(unlike).max(most, tooLong)
  return pattern ? field.matches(pattern, unlike) : field
}

/** Of whom: everybody, or profiles and sets. One rule for addresses, targets, blocks and kept scopes. */
export const whoField = () => ruled(SCOPE_RULES.who)

/** A period in words or days; whether it is one is found out where today's date is known. */
export const periodField = () => ruled(SCOPE_RULES.period)

/** What a period is compared with: its name, or a period of one's own. */
export const againstField = () => ruled(SCOPE_RULES.against)

/** Parts of a scope that are kept under a name; a part that is left out stays as it is when the scope is opened. */
export const savedScopeSchema = object({
  name: text().required('Give it a name.').max(80, 'Keep the name under 80 characters.'),
  parts: object({
    who: whoField(),
    period: periodField(),
    against: againstField(),
    metric: string().max(40),
    second: string().max(40),
    figures: string().max(40),
    headlines: string().max(400),
    columns: string().max(400),
    by: string().max(20),
    /** Whether the field is kept too: on which network, with the client or without, and which rivals are left out. */
    field: boolean(),
    network: fieldFields.network.default(undefined),
    own: fieldFields.own.default(undefined),
    hide: fieldFields.hide.default(undefined),
  }).required(),
})
export type SavedParts = InferType<typeof savedScopeSchema>['parts']
