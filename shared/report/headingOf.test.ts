import { expect, it } from 'vitest'
import { regionNames } from './headingOf'
import type { FilledBlock } from './reportContent'

const block = (id: string, title: string) => ({ id, title, kind: 'broken', problem: '' }) as FilledBlock

it('counts blocks of one heading, so that each is found by its name', () => {
  const names = regionNames([block('a', 'Places'), block('b', ''), block('c', 'Places'), block('d', '')])
  expect([...names.values()]).toEqual(['Places', '', 'Places, number 2', ''])
})
