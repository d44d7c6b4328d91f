/** Fields whose change makes networks ask for proof again, as far as it is common practice. */
const PROOF: Readonly<Record<string, string>> = {
  name: 'name (at times)',
  categories: 'categories (usually)',
  phone: 'telephone (certainly)',
  street: 'address (at times)',
}

/**
 * Which of some fields networks want proof of once they are changed, in a sentence; '' where it is none of them.
 *
 * @example proofWords(['phone', 'web'])
 * // 'Once listings are told of it, networks ask for proof again: telephone (certainly). That is common practice.'
 */
export function proofWords(fields: readonly string[]): string {
  const asked = fields.flatMap((field) => PROOF[field] ?? [])
  return asked.length === 0
    ? ''
    : `Once listings are told of it, networks ask for proof again: ${asked.join(', ')}. That is common practice.`
}
