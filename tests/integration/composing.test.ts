import { describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { hashtagsBrought } from '../../server/plan/posts/hashtagsBrought'
import { linkPreview } from '../../server/plan/posts/linkPreview'
import { addPlanned, removePlanned } from '../../server/plan/posts/plannedPosts'
import { keptFiles, takeFile } from '../../server/plan/posts/planFiles'
import { changeText, keepText, removeText, savedTexts } from '../../server/plan/posts/savedTexts'
import { plannedSchema } from '../../shared/plan/plannedPosts'
import { savedTextSchema } from '../../shared/plan/savedTexts'
import { addLink } from '../../server/read/links/links'
import { linkSchema } from '../../shared/read/links'
import { addClient, addProfile, useDatabase } from './support/database'
import { useStandins } from './support/standins'

useDatabase('composing')
useStandins()
/** The smallest pictures, two that differ. */
const GIF = (colour: number) =>
  Buffer.from(`474946383961010001008000000000${colour}ffffff2c00000000010001000002024401003b`, 'hex')

describe('what a text is written from', () => {
  it('hashtags have what the raw rows say of the posts with them, beside the median around each', async () => {
    const client = await addClient('hashtags')
    const [plain, other] = [await addProfile(client, 'murmur', '901'), await addProfile(client, 'tintype', '902')]
    const rows: { profile: number; day: string; text: string; reactions: number | null }[] = []
    for (let index = 0; index < 120; index++) {
      const day = addDays('2026-10-15', -2 * index)
      // posts with #glass bring twice what is usual, those with #moss what is usual; #Once stands in one
      const tag = index % 6 === 0 ? ' #Glass' : index % 6 === 3 ? ' #moss #moss' : index === 4 ? ' #Once' : ''
      const usual = 100 + (index % 5)
      rows.push({ profile: plain, day, text: `Words${tag}`, reactions: index % 6 === 0 ? 2 * usual : usual })
    }
    // too young to be judged, of nobody, and of long ago
    rows.push({ profile: plain, day: '2026-10-27', text: 'New #glass', reactions: 9999 })
    rows.push({ profile: other, day: '2026-10-01', text: 'Unknown #glass', reactions: null })
    rows.push({ profile: plain, day: '2025-06-01', text: 'Old #forgotten', reactions: 5 })
    await client.insertRows(
      'post',
      ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'reactions'],
      rows.map(({ profile, day, text, reactions }, index) => [
        profile,
        String(index),
        `${day} 12:00:00`,
        day,
        'text',
        text,
        reactions,
      ]),
    )
    const told = await hashtagsBrought(client)
    expect(told.map(({ tag }) => tag)).toEqual(['glass', 'moss', 'once'])
    const [glass, moss, once] = told
    expect(glass).toMatchObject({ posts: 22, stands: 'above', times: { posts: 20 } })
    expect(glass!.times!.value).toBeGreaterThan(1.9)
    expect(glass!.times!.value).toBeLessThan(2.1)
    expect(moss).toMatchObject({ posts: 20, times: { posts: 20 } })
    expect(moss!.times!.low).toBeLessThanOrEqual(1.02)
    expect(moss!.times!.high).toBeGreaterThanOrEqual(0.98)
    expect(once).toEqual({ tag: 'once', posts: 1 })
    expect(await hashtagsBrought(await addClient('without'))).toEqual([])
  })
  it('texts are kept, found by their words, changed, and come back when they were removed by mistake', async () => {
    const db = await addClient('texts')
    const id = await keepText(db, { name: 'Opening', text: 'We open at ten on Sundays.' })
    const other = await keepText(db, { name: 'Closing', text: 'We close at dusk. 100 %_' })
    const found = async (words: string) => (await savedTexts(db, words)).texts.map(({ name }) => name)
    expect(await savedTexts(db, '')).toMatchObject({ texts: [{ id: other }, { id }], all: 2 })
    expect(await found('SUNDAY')).toEqual(['Opening'])
    expect(await found('clos')).toEqual(['Closing'])
    expect(await found('%_')).toEqual(['Closing'])
    expect(await found('nothing')).toEqual([])
    await changeText(db, id, { name: 'Sundays', text: 'At ten.' })
    expect(await found('ten')).toEqual(['Sundays'])
    await removeText(db, id, true)
    await expect(changeText(db, id, { name: 'x', text: 'x' })).rejects.toThrow('There is no such text')
    expect(await found('ten')).toEqual([])
    await removeText(db, id, false)
    expect(await found('ten')).toEqual(['Sundays'])
    const foreign = await addClient('foreign-texts')
    expect(await savedTexts(foreign, '')).toEqual({ texts: [], all: 0 })
    await expect(removeText(foreign, id, true)).rejects.toThrow('There is no such text')
    expect(() => savedTextSchema.validateSync({ name: ' ', text: 'x' })).toThrow('Give the text a name.')
    expect(() => savedTextSchema.validateSync({ name: 'x', text: 'x'.repeat(10_001) })).toThrow('under 10,000')
  })
  it('a link is read for what its page says of itself, its picture too, and refused in a sentence where it cannot be', async () => {
    const db = await addClient('previews')
    const preview = (address: string) => linkPreview(db, address, 'zaffer.example:8080')
    const read = await preview('https://www.mossgate.example/')
    expect(read.preview).toEqual({
      address: 'https://www.mossgate.example/',
      title: 'Mossgate Gardens: lanterns on the lake path',
      description: 'Public gardens with tea rooms, open all year, and on autumn nights by lantern.',
      picture: read.file!.id,
    })
    expect(read.file).toMatchObject({ name: 'lake.png', type: 'image/png', isAnimated: false })
    // a page without a picture says so; the same picture is kept once
    expect(await preview('https://orrerypress.example/')).toEqual({
      preview: { address: 'https://orrerypress.example/', title: 'Orrery Press', description: '', picture: null },
      remark: 'The page names no picture.',
    })
    expect((await preview('https://www.mossgate.example/')).file!.id).toBe(read.file!.id)
    // a link of the client’s own stands for the page that it leads to; one of another client’s for nothing
    const link = linkSchema.validateSync({ name: 'x', target: 'https://orrerypress.example/' })
    const { code } = await addLink(db, link, 1, 'zaffer.example:8080')
    const short = `http://zaffer.example:8080/l/${code}`
    expect((await preview(short)).preview).toMatchObject({ address: short, title: 'Orrery Press' })
    await expect(linkPreview(await addClient('others'), short, 'zaffer.example:8080')).rejects.toThrow('usual port')
    await expect(preview('https://www.mossgate.example/lake.png')).rejects.toThrow('not a web page')
    await expect(preview('https://nowhere.example/')).rejects.toThrow('The page answered 404.')
    await expect(preview('http://127.0.0.1/')).rejects.toThrow('private network')
  })
  it('pictures are found by their names, with the posts that show them or have them beside their link', async () => {
    const db = await addClient('pictures')
    const [lake, tea] = [await takeFile(db, 'lake.gif', GIF(101010)), await takeFile(db, 'tea.gif', GIF(202020))]
    const write = (over: object) =>
      addPlanned(db, plannedSchema.validateSync({ text: 'x', ...over }), { id: 1, name: 'Ada' })
    const shows = await write({ media: [{ file: lake.id }, { file: tea.id }] })
    const beside = await write({
      link: 'https://www.mossgate.example/',
      preview: { address: 'https://www.mossgate.example/', picture: lake.id },
    })
    await removePlanned(db, [await write({ media: [{ file: tea.id }] })], true)
    await write({})
    // as it was kept before links had a preview
    const { preview: _, ...before } = plannedSchema.validateSync({ text: 'x', media: [{ file: tea.id }] })
    await db.insertRows('planned_post', ['post_key', 'content'], [['old', JSON.stringify(before)]])
    const files = await keptFiles(db, '')
    expect(files.map(({ name }) => name)).toEqual(['tea.gif', 'lake.gif'])
    expect(files[1]!.posts).toEqual([beside, shows])
    expect(files[0]!.posts).toHaveLength(2)
    expect(files[0]!.posts[1]).toBe(shows)
    expect((await keptFiles(db, 'lake')).map(({ id }) => id)).toEqual([lake.id])
    await expect(write({ preview: { picture: 999_999 } })).rejects.toThrow('One of the pictures is not there any more')
  })
})
