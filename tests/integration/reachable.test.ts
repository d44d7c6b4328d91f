import { beforeAll, describe, expect, it } from 'vitest'
import { askEstimate } from '../../server/gather/connectors/askEstimate'
import { connectorFor } from '../../server/gather/connectors/connectorFor'
import type { ClientDb } from '../../server/platform/database/clientDb'
import { askReachable, keepReachable, keptReachable, removeReachable } from '../../server/read/audience/reachable'
import { estimateSchema } from '../../shared/read/reachable'
import { addClient, useDatabase } from './support/database'
import { useStandins } from './support/standins'

useDatabase('reachable')
const { state, settings } = useStandins()
let db: ClientDb
beforeAll(async () => {
  db = await addClient('reachable')
})
const asked = (part: object = {}) =>
  estimateSchema.validateSync({ network: 'tintype', kind: 'circle', lat: 49.615, lon: -7.985, radius: 2, ...part })

describe('a reachable audience', () => {
  it('is what the network says, with how it changes with the radius', async () => {
    const { estimate, byRadius } = await askReachable(askEstimate('tintype'), asked())
    expect(estimate!.high).toBeGreaterThan(estimate!.low)
    expect(byRadius.map(({ radius }) => radius)).toEqual([0.5, 1, 2, 4, 8])
    expect(byRadius.find(({ radius }) => radius === 2)).toEqual({ radius: 2, low: estimate!.low, high: estimate!.high })
    const highs = byRadius.map(({ high }) => high ?? 0)
    expect(highs).toEqual([...highs].sort((a, b) => a - b))
    expect(
      (await askReachable(askEstimate('commons'), asked({ network: 'commons', kind: 'countries', countries: ['IE'] })))
        .byRadius,
    ).toEqual([])
  })

  it('of too few people is none', async () => {
    const { estimate } = await askReachable(
      askEstimate('guildhall'),
      asked({ network: 'guildhall', radius: 0.5, ages: ['65+'], interests: ['science'] }),
    )
    expect(estimate).toBeNull()
  })

  it('is kept under a name, taken away and brought back', async () => {
    const id = await keepReachable(db, askEstimate('tintype'), { name: 'Around the port', asked: asked() }, 1)
    const [kept] = await keptReachable(db)
    expect(kept).toMatchObject({ id, name: 'Around the port', asked: { radius: 2 }, askedAt: expect.any(Date) })
    expect(kept!.high).toBeGreaterThan(kept!.low!)
    expect(await removeReachable(db, id, true)).toBe(true)
    expect(await keptReachable(db)).toEqual([])
    expect(await removeReachable(db, id, false)).toBe(true)
  })

  it('says when the network does not answer, asks to wait, or has none', async () => {
    state.isDown = true
    await expect(
      askEstimate('tintype')({ where: { kind: 'towns', towns: ['x'] }, ages: [], genders: [], interests: [] }),
    ).rejects.toThrow(/Tintype answered 503/)
    state.isDown = false
    settings.requestsPerMinute = 0
    await expect(askReachable(askEstimate('tintype'), asked())).rejects.toThrow(/asks to wait/)
    settings.requestsPerMinute = 1000
    expect(connectorFor({ connector: 'cork' }).estimate).toBeUndefined()
  })

  it('is asked for within limits', () => {
    for (const [part, sentence] of [
      [{ network: 'cork' }, /does not say how many/],
      [{ radius: 0.1 }, /0.5 km at the least/],
      [{ radius: 1000 }, /80 km at the most/],
      [{ lat: 91 }, /latitude lies between/],
      [{ kind: 'towns' }, /Choose a town/],
      [{ kind: 'countries' }, /Choose a country/],
      [{ ages: ['90+'] }, /Choose ages/],
      [{ interests: ['gossip'] }, /Choose interests/],
    ] as const)
      expect(() => asked(part)).toThrow(sentence)
  })
})
