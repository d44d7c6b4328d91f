import { join } from 'node:path'
import { demoPassword, forget, root, startApplication, stopApplication } from '../../support/application'

/** The built application with the demo, at a fixed time, for all browser tests. */
export default async function setup() {
  const data = join(root, '.test-data', 'browser')
  forget(data)
  const application = await startApplication(data, { ZAFFER_PORT: '4399', ZAFFER_NOW: '2026-10-29T06:00:00Z' })
  if (!application.output().includes('Ready'))
    throw new Error(`The application did not start:\n${application.output()}`)
  process.env.ZAFFER_TEST_PASSWORD = demoPassword(data)
  return async () => void (await stopApplication(application))
}
