import type { IntendedInput } from '~~/shared/read/audience'

const GENDERS: Record<string, string> = { f: 'women', m: 'men' }
const listed = (words: string[]): string => words.join(', ').replace(/, ([^,]*)$/, ' and $1')

/**
 * Whom a client wants, in words.
 *
 * @example wantedWords({ ages: ['25-34'], genders: ['f'], countries: ['CA'], languages: [] }) // 'Women of 25–34, in Canada.'
 */
export function wantedWords({ ages, genders, countries, languages }: IntendedInput): string {
  const name = (type: 'region' | 'language', code: string) => new Intl.DisplayNames(['en'], { type }).of(code) ?? code
  const who = genders.length === 1 ? GENDERS[genders[0]!]! : 'people'
  const words = [
    `${who}${ages.length > 0 ? ` of ${listed(ages.map((age) => age.replace('-', '–')))}` : ''}`,
    countries.length > 0 && `in ${listed(countries.map((code) => name('region', code)))}`,
    languages.length > 0 && `who read ${listed(languages.map((code) => name('language', code)))}`,
  ]
    .filter(Boolean)
    .join(', ')
  return `${words[0]!.toUpperCase()}${words.slice(1)}.`
}
