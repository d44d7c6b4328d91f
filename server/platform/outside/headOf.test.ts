import { describe, expect, it } from 'vitest'
import { headOf } from './headOf'

const BASE = 'https://www.name.example/visit/'

describe('what a page says of itself', () => {
  it('is what its Open Graph tags say, with the picture at its whole address', () => {
    const html = `<html><head><title>Visit | Name</title><meta name="description" content="Plain.">
      <meta property="og:title" content="Come &amp; see"><meta property="og:description" content=" Two \n lines. ">
      <meta property="og:image" content="../lake.png"><meta property="og:image" content="/second.png"></head></html>`
    expect(headOf(html, BASE)).toEqual({
      title: 'Come & see',
      description: 'Two lines.',
      picture: 'https://www.name.example/lake.png',
    })
  })
  it('is its title and description where it has none, and nothing where it has nothing', () => {
    expect(
      headOf('<title>Visit</title><svg><title>Drawn</title></svg><meta name="Description" content="Plain.">', BASE),
    ).toEqual({ title: 'Visit', description: 'Plain.', picture: '' })
    expect(headOf('', BASE)).toEqual({ title: '', description: '', picture: '' })
    expect(headOf(`<title>${'x'.repeat(900)}`, BASE).title).toHaveLength(200)
    expect(headOf('<meta property="og:image" content="http://[">', BASE).picture).toBe('')
  })
})
