import { expect, it } from 'vitest'
import { nameOf } from './linkPreview'

it.each([
  ['https://g.example/pictures/night%20opening.png?x=1', 'night opening.png'],
  ['https://g.example/%zz.png', '%zz.png'],
  ['https://g.example/', 'picture'],
])('the picture at %s is called %s', (address, name) => expect(nameOf(address)).toBe(name))
