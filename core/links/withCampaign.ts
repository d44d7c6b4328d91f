/** By what a site tells where its visitors come from. */
export interface Campaign {
  source: string
  medium: string
  campaign: string
  content: string
}

/** The names that sites know these by in an address (common practice). */
const PARAMETERS: Record<keyof Campaign, string> = {
  source: 'utm_source',
  medium: 'utm_medium',
  campaign: 'utm_campaign',
  content: 'utm_content',
}

/**
 * An address with the parameters of a campaign. What is empty is left out; what the address says already under such a
 * name is replaced; everything else in it stays to the letter.
 *
 * @param target    an address (http or https)
 * @param campaign  its parts, each empty where it has none
 * @returns         undefined where the target is no address of a page
 * @example withCampaign('https://g.example/a?day=sun#map', { source: 'x', medium: 'y', campaign: '', content: '' })
 *          // 'https://g.example/a?day=sun&utm_source=x&utm_medium=y#map'
 */
export function withCampaign(target: string, campaign: Campaign): string | undefined {
  const address = URL.canParse(target) ? new URL(target) : undefined
  if (!address || !/^https?:$/.test(address.protocol)) return undefined
  for (const [part, name] of Object.entries(PARAMETERS) as [keyof Campaign, string][])
    if (campaign[part] !== '') address.searchParams.set(name, campaign[part])
  return address.href
}
