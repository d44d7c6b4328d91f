import { NETWORKS } from '../networks/networks'
import { CATALOGUE } from './catalogue'
import { reportsMetric } from './reportsMetric'
import { KIND_WORDS, WORDS } from './words'

/**
 * The networks that give a metric; for a rate, those that give both of its parts.
 *
 * @throws RangeError when there is no such metric
 * @example networksOf('saves') // ['Tintype']
 */
export function networksOf(metricId: string): string[] {
  return NETWORKS.filter((network) => reportsMetric(network, metricId)).map(({ name }) => name)
}

/** The glossary as Markdown: every metric of the catalogue and every word of our own. */
export function glossary(): string {
  const metrics = CATALOGUE.map(
    ({ id, name, kind, definition, isPublic }) =>
      `| ${name} | ${definition} | ${KIND_WORDS[kind]} | ` +
      `${isPublic ? 'public' : 'with the owner’s consent'} | ${networksOf(id).join(', ')} |`,
  )
  const words = WORDS.map(([word, meaning]) => `| ${word} | ${meaning} |`)
  return [
    '# Glossary',
    '',
    'Made from the catalogue of metrics by `npm run glossary`; a test holds it current.',
    '',
    '## Metrics',
    '',
    '| name | what is counted | how it is rolled up | who can see it | networks |',
    '| --- | --- | --- | --- | --- |',
    ...metrics,
    '',
    '## Our words',
    '',
    '| word | what it is |',
    '| --- | --- |',
    ...words,
    '',
  ].join('\n')
}
