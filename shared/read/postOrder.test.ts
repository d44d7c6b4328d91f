import { expect, it } from 'vitest'
import { POST_ORDERS, readPostOrder, writePostOrder } from './postOrder'

it.each([...POST_ORDERS.map(({ value }) => value), '-clicks', 'sure.click_rate', '-sure.pass_on', 'reach'])(
  'reads the order %s, and writes it as it was',
  (value) => expect(writePostOrder(readPostOrder(value)!)).toBe(value),
)

it.each(['', 'loudest', 'sure.times', '--clicks', 'toString', 'clicks; DROP'])('knows no order %j', (value) =>
  expect(readPostOrder(value)).toBeUndefined(),
)
