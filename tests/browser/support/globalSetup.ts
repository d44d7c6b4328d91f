import { build } from '../../../tools/steps/packages.mjs'
import { root } from '../../support/application'

/** The workers start what is built; it is built once, before them. */
export default () => build(root)
