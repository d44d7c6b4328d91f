import { mkdirSync } from 'node:fs'
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../../tools/steps/database.mjs'
import { buildPrograms } from '../../../tools/steps/programs.mjs'
import { logFile, openSecrets } from '../../../tools/steps/data.mjs'
import { Processes } from '../../../tools/steps/processes.mjs'
import { connect } from '../../../server/platform/database/pool'
import { root } from '../../support/application'
import { DEMO, FOLDER } from './testServer'

declare module 'vitest' {
  interface ProvidedContext {
    databaseServer: string
  }
}

/** Nobody needs these databases once the machine has stopped: nothing waits until the disk has written. */
const UNSAVED = ['--innodb-flush-log-at-trx-commit=0', '--innodb-flush-method=nosync', '--sync-frm=0']

/**
 * A real MariaDB for the tests, started as the start command starts it, in a folder of its own, and the programs that
 * run beside the application.
 */
async function begin(): Promise<{ address: string; end: () => Promise<void> }> {
  await buildPrograms(root)
  mkdirSync(`${FOLDER}/logs`, { recursive: true })
  const processes = new Processes(`${FOLDER}/processes.json`, () => {})
  await processes.clearUp()
  const secrets = openSecrets(FOLDER)
  const url = await startDatabase({ data: FOLDER, secrets, processes, log: logFile(FOLDER), options: UNSAVED })
  const address = url.replace(/\/zaffer$/, '')
  const server = connect(`${address}/`, 1)
  await server.query(`DROP DATABASE IF EXISTS ${DEMO}`)
  await server.end()
  return { address, end: () => processes.endAll() }
}

/** Two projects have their files on one server, with one demo: each runs this file by itself, in one process. */
const run = globalThis as { testServer?: ReturnType<typeof begin> }

export default async function setup(project: TestProject) {
  const { address, end } = await (run.testServer ??= begin())
  project.provide('databaseServer', address)
  return end
}
