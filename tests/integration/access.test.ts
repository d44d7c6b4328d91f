import { hostname } from 'node:os'
import { dirname, join } from 'node:path'
import { statSync } from 'node:fs'
import { createConnection, type ConnectionOptions } from 'mysql2/promise'
import { describe, expect, inject, it } from 'vitest'
import { openSecrets } from '../../tools/steps/data.mjs'
import { FOLDER } from './support/testServer'

const server = () => new URL(inject('databaseServer'))

/** Whether somebody gets in, and why not. */
async function tried(how: ConnectionOptions): Promise<string> {
  try {
    const connection = await createConnection({ connectTimeout: 4000, ...how })
    await connection.end()
    return 'in'
  } catch (error) {
    return (error as { code?: string }).code ?? String(error)
  }
}

describe('the private database', () => {
  const ways = () => [
    { host: '127.0.0.1', port: Number(server().port) },
    { host: '::1', port: Number(server().port) },
    { host: 'localhost', port: Number(server().port) },
    { host: hostname(), port: Number(server().port) },
    { socketPath: join(FOLDER, 'mariadb.sock') },
  ]

  it.each(['root', '', 'zaffer', 'mysql', 'mariadb.sys', 'nobody'])(
    'lets nobody in as “%s” without a password, whichever way',
    async (user) => {
      for (const way of ways()) expect([way, user, await tried({ ...way, user })]).not.toEqual([way, user, 'in'])
    },
  )

  it('lets root in with its password over the socket alone, and the application over loopback alone', async () => {
    const { databaseRoot, database } = openSecrets(FOLDER) as { databaseRoot: string; database: string }
    const answers = async (user: string, password: string) =>
      await Promise.all(ways().map((way) => tried({ ...way, user, password })))
    expect((await answers('root', databaseRoot)).map((answer) => answer === 'in')).toEqual([
      false,
      false,
      false,
      false,
      true,
    ])
    // a name of this machine may stand for 127.0.0.1, and is the same way in then
    const [loopback, sixth, , , socket] = await answers('zaffer', database)
    expect([loopback, sixth === 'in', socket === 'in']).toEqual(['in', false, false])
  })

  it('gives the application rights on its own databases and nothing else: no files, no accounts', async () => {
    const connection = await createConnection(inject('databaseServer'))
    const asked = async (query: string) => {
      try {
        return (await connection.query(query))[0] as Record<string, unknown>[]
      } catch (error) {
        return (error as { code: string }).code
      }
    }
    const grants = (await asked('SHOW GRANTS')) as Record<string, string>[]
    expect(
      grants.map((row) =>
        Object.values(row)[0]!
          .replace(/IDENTIFIED.*/, '')
          .trim(),
      ),
    ).toEqual([
      'GRANT USAGE ON *.* TO `zaffer`@`127.0.0.1`',
      'GRANT ALL PRIVILEGES ON `zaffer%`.* TO `zaffer`@`127.0.0.1`',
    ])
    expect(await asked('SELECT User FROM mysql.global_priv')).toMatch(/DENIED/)
    expect(await asked("SELECT LOAD_FILE('/etc/passwd') AS file")).toEqual([{ file: null }])
    expect(await asked("SELECT 1 INTO OUTFILE '/tmp/zaffer-outfile'")).toMatch(
      /DENIED|SECURE_FILE_PRIV|OPTION_PREVENTS/,
    )
    expect(await asked("CREATE USER 'x'@'localhost'")).toMatch(/DENIED/)
    await connection.end()
  })

  it('knows three accounts, of which one belongs to the server itself and is locked', async () => {
    const { databaseRoot } = openSecrets(FOLDER) as { databaseRoot: string }
    const connection = await createConnection({
      socketPath: join(FOLDER, 'mariadb.sock'),
      user: 'root',
      password: databaseRoot,
    })
    const [accounts] = await connection.query(
      "SELECT CONCAT(User, '@', Host) AS account FROM mysql.global_priv ORDER BY 1",
    )
    await connection.end()
    expect((accounts as { account: string }[]).map(({ account }) => account)).toEqual([
      'mariadb.sys@localhost',
      'root@localhost',
      'zaffer@127.0.0.1',
    ])
  })

  it('keeps its socket and files in a folder for the owner only', () => {
    const folder = dirname(join(FOLDER, 'mariadb.sock'))
    for (const part of [join(folder, 'mariadb'), join(folder, 'no-files')])
      expect((statSync(part).mode & 0o077).toString(8)).toBe('0')
  })
})
