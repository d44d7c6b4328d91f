/** Figures of an industry that were made up for the demo: measure, network, followers from and below, quartiles. */
export const INDUSTRY = {
  client: 'mossgate-gardens',
  source: 'Yearbook of parks and gardens',
  ago: 120,
  figures: [
    ['post_rate', 'tintype', 1000, 10_000, 0.014, 0.031, 0.058],
    ['post_rate', 'tintype', 10_000, 100_000, 0.008, 0.017, 0.033],
    ['post_rate', 'commons', 10_000, 100_000, 0.001, 0.0024, 0.0051],
    ['post_rate', 'zoetrope', null, null, 0.012, 0.034, 0.09],
    ['post_rate', '', null, null, null, 0.012, null],
    ['week_posts', '', null, null, 1.5, 3.2, 5.6],
    ['week_posts', 'tintype', null, null, 2.1, 4, 6.8],
    ['growth', '', 1000, 10_000, 0.002, 0.008, 0.021],
    ['growth', '', 10_000, 100_000, 0.001, 0.005, 0.012],
    ['engagement_by_impressions', '', null, null, 0.012, 0.026, 0.044],
  ],
} as const
