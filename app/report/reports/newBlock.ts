import { asKept, declarationOf, type Block, type BlockKind } from '~~/shared/report/blocks'

/** A new block with what is usually wanted in it, or with what was chosen on a page. */
export function newBlock(kind: BlockKind, metrics?: readonly string[], option?: string): Block {
  const declared = declarationOf(kind)
  return asKept({
    id: crypto.randomUUID(),
    kind,
    metrics: [...(metrics ?? declared.metrics?.usual ?? [])],
    option: option ?? declared.option?.choices[0]?.value ?? '',
  })
}
