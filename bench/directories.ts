import { entryComparer } from '../core/directories/compareEntry'
import { DIRECTORIES } from '../core/directories/directoryList'
import { ENTRY_FIELDS, entryText } from '../core/directories/entryFields'
import { entriesIn } from '../demo/directories'
import { PLACES } from '../demo/places'
import { median, ms, report, times } from './measure'

const PLACES_MANY = 1000

/** 5,000 entries of 1,000 places compared with their master records, beside comparing their texts. */
export async function benchDirectories(): Promise<void> {
  const pairs = Array.from({ length: PLACES_MANY }, (_, index) => {
    const place = PLACES[index % PLACES.length]!
    // hours of their own, so that little of it is known from another place
    const ours = { ...place.record, phone: `+4416329${String(60_000 + index)}`, hours: hoursOf(index) }
    return DIRECTORIES.map(({ id, carries }) => {
      const found = entriesIn(id)[index % PLACES.length]!.record
      return { ours, theirs: { ...found, hours: index % 3 === 0 ? hoursOf(index + 1) : ours.hours }, carries }
    })
  }).flat()
  const compared = await median(5, () => {
    const comparer = entryComparer('2026-10-28')
    return Promise.resolve(pairs.map(({ ours, theirs, carries }) => comparer.compare(ours, theirs, carries)))
  })
  const plain = await median(5, () =>
    Promise.resolve(
      pairs.map(({ ours, theirs }) => ENTRY_FIELDS.map(({ id }) => entryText(ours, id) === entryText(theirs, id))),
    ),
  )
  report(
    `${pairs.length} entries compared with their master records`,
    { 'compared': ms(compared), 'their texts alone': ms(plain), 'rate': times(compared / plain) },
    { text: 'at most 1,000 ms', met: compared <= 1000 },
  )
}

const hoursOf = (index: number): string => {
  const open = String(7 + (index % 4)).padStart(2, '0')
  const minute = String((index * 5) % 60).padStart(2, '0')
  return `Mo-Fr ${open}:${minute}-17:${minute}; Sa 10:00-16:${minute}; Su off; 2026 Dec 25-2026 Dec 26 off`
}
