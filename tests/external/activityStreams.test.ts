import { describe, expect, it } from 'vitest'
import { activityRows, isActivityStreams } from '../../core/imports/activityRows'

/*
 * Activity Streams 2.0, W3C Recommendation of 23 May 2017, and its vocabulary. The objects below are examples of the
 * standard, by their names; values from memory.
 */
const CONTEXT = 'https://www.w3.org/ns/activitystreams'
const plain = (html: string) => html.replace(/<[^>]*>/g, '')
const rowsOf = (value: Record<string, unknown>) => activityRows(value, plain).slice(1)

describe('posts of Activity Streams 2.0', () => {
  it('are told by their context alone, also where it stands among others', () => {
    expect(isActivityStreams({ '@context': CONTEXT, 'type': 'Note' })).toBe(true)
    expect(isActivityStreams({ '@context': [CONTEXT, { css: 'http://www.w3.org/ns/oa#' }], 'type': 'Note' })).toBe(true)
    expect(isActivityStreams({ '@context': 'https://schema.org', 'type': 'Note' })).toBe(false)
    expect(isActivityStreams([{ type: 'Note' }])).toBe(false)
  })

  it('“Martin added an article to his blog”: the article, at the time of the activity', () => {
    expect(
      rowsOf({
        '@context': CONTEXT,
        'summary': 'Martin added an article to his blog',
        'type': 'Add',
        'published': '2015-02-10T15:04:55Z',
        'actor': { type: 'Person', id: 'http://www.test.example/martin', name: 'Martin Smith' },
        'object': {
          id: 'http://www.test.example/blog/abc123/xyz',
          type: 'Article',
          url: 'http://example.org/blog/2011/02/entry',
          name: 'Why I love Activity Streams',
        },
        'target': { id: 'http://example.org/blog/', type: 'OrderedCollection', name: "Martin's Blog" },
      }),
    ).toEqual([['xyz', '2015-02-10T15:04:55Z', 'text', 'Why I love Activity Streams', '']])
  })

  it('“A Simple Note” in a collection, and in a page of one', () => {
    const note = { type: 'Note', id: 'http://example.org/note/1', content: '<p>A simple note</p>' }
    const row = ['1', '', 'text', 'A simple note', '']
    expect(rowsOf({ '@context': CONTEXT, ...note })).toEqual([row])
    expect(rowsOf({ '@context': CONTEXT, 'type': 'Collection', 'totalItems': 1, 'items': [note] })).toEqual([row])
    expect(
      rowsOf({
        '@context': CONTEXT,
        'type': 'OrderedCollection',
        'first': { type: 'OrderedCollectionPage', orderedItems: [{ type: 'Create', object: note }] },
      }),
    ).toEqual([row])
  })

  it('natural language values in several languages: the first (4.7)', () => {
    expect(
      rowsOf({
        '@context': CONTEXT,
        'type': 'Note',
        'id': 'urn:uuid:1',
        'contentMap': { en: 'A <em>simple</em> note', es: 'Una nota <em>sencilla</em>' },
      })[0]![3],
    ).toBe('A simple note')
  })

  it('counts of likes, replies and shares where the collections are there, nothing where only their address is', () => {
    const table = activityRows(
      {
        '@context': CONTEXT,
        'type': 'OrderedCollection',
        'orderedItems': [
          {
            type: 'Create',
            published: '2026-10-20T08:15:00Z',
            object: {
              type: 'Note',
              id: 'https://isle.example/users/mossgate/statuses/112',
              content: 'Frost on the ferns &amp; more',
              attachment: [{ type: 'Image', name: 'Ferns in frost', url: 'https://isle.example/a.png' }],
              likes: { type: 'Collection', totalItems: '41' },
              replies: { type: 'Collection', totalItems: '3' },
              shares: 'https://isle.example/users/mossgate/statuses/112/shares',
            },
          },
          { type: 'Like', object: 'https://other.example/1' },
          { type: 'Announce', object: 'https://other.example/2' },
        ],
      },
      plain,
    )
    expect(table).toEqual([
      ['Id of the post', 'Published, day and time', 'Format', 'Text', 'Words for the picture', 'Reactions', 'Comments'],
      ['112', '2026-10-20T08:15:00Z', 'photo', 'Frost on the ferns &amp; more', 'Ferns in frost', '41', '3'],
    ])
  })

  it('several authors are named; likes and follows alone are no posts', () => {
    const by = (id: string, author: unknown) => ({ type: 'Note', id, attributedTo: author, content: id })
    expect(
      activityRows(
        {
          '@context': CONTEXT,
          'type': 'Collection',
          'items': [
            by('a', 'https://isle.example/@mossgate'),
            by('b', { type: 'Person', preferredUsername: 'kittiwake' }),
          ],
        },
        plain,
      ).map((row) => row.at(-1)),
    ).toEqual(['Handle or name of the profile', '@mossgate', 'kittiwake'])
    expect(() =>
      rowsOf({ '@context': CONTEXT, 'type': 'Collection', 'items': [{ type: 'Like', object: 'https://a.example' }] }),
    ).toThrow('no post among them')
  })
})
