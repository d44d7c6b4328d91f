import type { DemoProfile } from './profiles'

const on = (
  client: string,
  network: string,
  handle: string,
  name: string,
  remoteId: string,
  followers: number,
  growthPerYear: number,
): DemoProfile => ({
  client,
  network,
  handle,
  name,
  remoteId,
  followers,
  growthPerYear,
  background: Math.round(followers / 12),
  postsPerWeek: 4,
  impressionsPerPost: Math.round(followers / 9),
  rate: 0.03,
  connected: false,
  isHidden: true,
})

/** Others on the networks whom the clients' audiences follow too, and whom nobody has added as rivals. */
export const NEIGHBOURS: readonly DemoProfile[] = [
  on('mossgate-gardens', 'commons', 'islesinbloom', 'Isles in Bloom', '10220700114408251', 15_320, 0.31),
  on('mossgate-gardens', 'tintype', '@islesinbloom', 'Isles in Bloom', '17841403310944073', 21_470, 0.36),
  on('mossgate-gardens', 'tintype', '@thelongtable', 'The Long Table', '17841403310977518', 33_900, 0.18),
  on('kittiwake-line', 'commons', 'ferrywatch', 'Ferry Watch', '10220700114432660', 8790, 0.05),
  on('orrery-press', 'commons', 'nightskyclub', 'Night Sky Club', '10220700114460917', 12_060, 0.22),
  on('orrery-press', 'guildhall', 'nightskyclub', 'Night Sky Club', '50077120388016642', 1940, 0.14),
]
