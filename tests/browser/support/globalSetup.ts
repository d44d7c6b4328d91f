import { build } from '../../../tools/steps/packages.mjs'
import { root } from '../../support/application'
import { makeDemo } from './demo'

/** The workers start what is built, on copies of one demo; both are made once, before them. */
export default async () => {
  await build(root)
  await makeDemo(Number(process.env.ZAFFER_TEST_PORT ?? 4399))
}
