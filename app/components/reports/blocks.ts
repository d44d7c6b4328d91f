import type { Block } from '~~/shared/scope'

/** The kinds of block in words. */
export const BLOCK_NAMES: Record<Block['kind'], string> = { figures: 'Headline figures', chart: 'Line over time', table: 'Table by profile', why: 'Why it changed', unusual: 'Unusual days', text: 'Text' }

const METRICS: Record<Block['kind'], string[]> = {
  figures: ['reach', 'impressions', 'interactions', 'engagement_by_reach', 'followers_net'], chart: ['impressions'],
  table: ['followers', 'reach', 'interactions', 'engagement_by_reach', 'posts'], why: ['impressions'], unusual: ['interactions'], text: [],
}

/** A new block with what is usually wanted in it. */
export const newBlock = (kind: Block['kind'], metrics: string[] = METRICS[kind]): Block => ({ id: crypto.randomUUID(), kind, title: '', metrics, text: '', comment: '' })
