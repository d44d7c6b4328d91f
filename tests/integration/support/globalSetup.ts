import { mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../../tools/steps/database.mjs'
import { logFile, openSecrets } from '../../../tools/steps/data.mjs'
import { Processes } from '../../../tools/steps/processes.mjs'
import { connect } from '../../../server/platform/database/pool'
import { DEMO } from './demoDatabase'

declare module 'vitest' {
  interface ProvidedContext {
    databaseServer: string
  }
}

/** A real MariaDB for the tests, started as the start command starts it, in a folder of its own. */
export default async function setup(project: TestProject) {
  const data = fileURLToPath(new URL(`../../../.test-data/${project.name}`, import.meta.url))
  mkdirSync(`${data}/logs`, { recursive: true })
  const processes = new Processes(`${data}/processes.json`, () => {})
  await processes.clearUp()
  const url = await startDatabase({ data, secrets: openSecrets(data), processes, log: logFile(data) })
  const address = url.replace(/\/zaffer$/, '')
  const server = connect(`${address}/`, 1)
  await server.query(`DROP DATABASE IF EXISTS ${DEMO}`)
  await server.end()
  project.provide('databaseServer', address)
  return () => processes.endAll()
}
