/** A report as it is worked on, as far as two versions of it can be put together. */
export interface DraftLike<B extends BlockLike = BlockLike> {
  title: string
  period: string
  against: string
  blocks: B[]
}
/** A block by its id; whatever else it has is compared as it is. */
export interface BlockLike {
  id: string
  text?: string
  comment: string
  [part: string]: unknown
}

const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)
/** Parts that are written by hand: where both sides have changed one, both are kept. */
const WRITTEN = new Set(['text', 'comment'])

/**
 * Two versions of a report that were made from the same one, put together: what only one side has changed is as that
 * side has it; texts that both have changed stand one below the other; of anything else that both have changed, `mine`
 * stands. A block that one side has removed and the other changed stays.
 *
 * @param base  the version from which both were made
 * @example     joinDrafts(base, { ...base, title: 'New' }, { ...base, period: '2026' }) // has the new title and the
 *                               new period
 */
export function joinDrafts<D extends DraftLike>(base: D, mine: D, theirs: D): D {
  const pick = (key: 'title' | 'period' | 'against') => (isSame(mine[key], base[key]) ? theirs[key] : mine[key])
  return {
    ...mine,
    title: pick('title'),
    period: pick('period'),
    against: pick('against'),
    blocks: joinBlocks(base.blocks, mine.blocks, theirs.blocks),
  }
}

function joinBlocks<B extends BlockLike>(base: readonly B[], mine: readonly B[], theirs: readonly B[]): B[] {
  const of = (blocks: readonly B[]) => new Map(blocks.map((block) => [block.id, block]))
  const [before, own, other] = [of(base), of(mine), of(theirs)]
  const joined = new Map<string, B>()
  for (const id of new Set([...own.keys(), ...other.keys()])) {
    const block = joinBlock(before.get(id), own.get(id), other.get(id))
    if (block) joined.set(id, block)
  }
  const common = (blocks: readonly B[]) =>
    blocks.map(({ id }) => id).filter((id) => before.has(id) && own.has(id) && other.has(id))
  // whoever has moved blocks says in which order they stand; what only the other has comes after the one that it stood
  // behind there
  const [first, second] = isSame(common(mine), common(base)) ? [theirs, mine] : [mine, theirs]
  const order = first.map(({ id }) => id)
  second.forEach(({ id }, index) => {
    if (order.includes(id)) return
    const behind = second
      .slice(0, index)
      .reverse()
      .find((block) => order.includes(block.id))
    order.splice(behind ? order.indexOf(behind.id) + 1 : 0, 0, id)
  })
  return order.flatMap((id) => joined.get(id) ?? [])
}

function joinBlock<B extends BlockLike>(
  base: B | undefined,
  mine: B | undefined,
  theirs: B | undefined,
): B | undefined {
  if (!mine || !theirs) {
    const left = mine ?? theirs!
    // new on one side, or removed on one side: removed for good only if the other has not touched it
    return base && isSame(left, base) ? undefined : left
  }
  const parts = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])].map((key) => [
    key,
    joinPart(key, base?.[key], mine[key], theirs[key]),
  ])
  return Object.fromEntries(parts) as B
}

function joinPart(key: string, base: unknown, mine: unknown, theirs: unknown): unknown {
  if (isSame(mine, base) || isSame(mine, theirs)) return theirs
  if (isSame(theirs, base) || !WRITTEN.has(key)) return mine
  return [mine, theirs].filter((part) => part !== '').join('\n\n')
}

/** A part in which two versions differ, each side in words. */
export interface DraftDifference {
  what: string
  mine: string
  theirs: string
}

/**
 * In what two versions of a report differ, part by part.
 *
 * @param nameOf  what a block is called
 */
export function draftDifferences<B extends BlockLike>(
  mine: DraftLike<B>,
  theirs: DraftLike<B>,
  nameOf: (block: B) => string,
): DraftDifference[] {
  const found: DraftDifference[] = []
  const compare = (what: string, a: string, b: string) => a !== b && found.push({ what, mine: a, theirs: b })
  compare('Title', mine.title, theirs.title)
  compare('Period', mine.period, theirs.period)
  compare('Against', mine.against, theirs.against)
  const other = new Map(theirs.blocks.map((block) => [block.id, block]))
  for (const block of mine.blocks) {
    const their = other.get(block.id)
    if (!their) compare(nameOf(block), 'there', 'not there')
    else {
      compare(`${nameOf(block)}: text`, block.text ?? '', their.text ?? '')
      compare(`${nameOf(block)}: comment`, block.comment, their.comment)
      const rest = ({ text: _text, comment: _comment, ...settings }: B) => JSON.stringify(settings)
      if (rest(block) !== rest(their))
        found.push({ what: `${nameOf(block)}: settings`, mine: 'as on this page', theirs: 'changed' })
    }
  }
  const own = new Set(mine.blocks.map(({ id }) => id))
  for (const block of theirs.blocks) if (!own.has(block.id)) compare(nameOf(block), 'not there', 'there')
  const order = (blocks: readonly B[], has: (id: string) => boolean) =>
    blocks
      .map(({ id }) => id)
      .filter(has)
      .join()
  if (order(mine.blocks, (id) => other.has(id)) !== order(theirs.blocks, (id) => own.has(id)))
    found.push({ what: 'Order of the blocks', mine: 'as on this page', theirs: 'changed' })
  return found
}
