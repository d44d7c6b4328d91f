import { existsSync, readFileSync } from 'node:fs'
import { createInterface } from 'node:readline/promises'
import type { ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import { hashPassword } from '../server/platform/people/password'
import { connect } from '../server/platform/database/pool'

/**
 * The people who may sign in, while the application runs:
 *   npm run person -- list
 *   npm run person -- add you@company.example "Your Name" owner
 *   npm run person -- role you@company.example viewer
 *   npm run person -- password you@company.example
 *   npm run person -- switch-off you@company.example     (and switch-on)
 * A password is asked for, and never stands in the command. What is changed of a person ends their sessions.
 */
const USAGE =
  'Say what to do:\n  npm run person -- list\n  npm run person -- add you@company.example "Your Name" owner\n  ' +
  'npm run person -- role | password | switch-off | switch-on  you@company.example  [owner | analyst | viewer]'
const ROLES = ['owner', 'analyst', 'viewer']
const SHORTEST = 12

class Stop extends Error {}

async function askPassword(): Promise<string> {
  const questions = createInterface({ input: process.stdin, output: process.stdout })
  const password = await questions.question(`A password of at least ${SHORTEST} letters: `)
  questions.close()
  if (password.length < SHORTEST) throw new Stop('That password is too short.')
  return await hashPassword(password)
}

function roleOf(text: string | undefined): string {
  if (!text || !ROLES.includes(text)) throw new Stop(`A role is one of: ${ROLES.join(', ')}.`)
  return text
}

/** Where the data of the demo and of an agency of one's own stand; a database is up while its address stands there. */
const FOLDERS = ['.data', '.data-empty']

/** The database of a folder or, where none is named, of the application that runs: with the demo, or begun empty. */
function databaseOf(named: string | undefined): string {
  const known = (named ? [named] : FOLDERS).filter((each) => existsSync(`${each}/database-url`))
  const [folder, other] = known.filter((each) => named !== undefined || isRunning(`${each}/lock`))
  if (folder === undefined)
    throw new Stop(
      `The application does not run${named ? ` on ${named}` : ''}. Start it with npm start, and try again.`,
    )
  if (other !== undefined)
    throw new Stop(
      `Two of them run. Say which one is meant: ZAFFER_DATA=${folder} npm run person -- …, or ZAFFER_DATA=${other}.`,
    )
  return readFileSync(`${folder}/database-url`, 'utf8')
}

/** Whether the process that holds a folder is still there. */
function isRunning(lock: string): boolean {
  try {
    return process.kill(Number(readFileSync(lock, 'utf8')), 0)
  } catch {
    return false
  }
}

async function run([what, email, ...rest]: string[]): Promise<string> {
  const pool = connect(process.env.ZAFFER_DATABASE_URL ?? databaseOf(process.env.ZAFFER_DATA), 1)
  const change = async (column: string, value: unknown) => {
    const [{ affectedRows }] = await pool.query<ResultSetHeader>(`UPDATE person SET ${column} = ? WHERE email = ?`, [
      value,
      email,
    ])
    if (affectedRows === 0) throw new Stop(`Nobody signs in as ${email}.`)
  }
  try {
    if (what === 'list') {
      const [people] = await pool.query<RowDataPacket[]>(
        'SELECT email, name, role, is_active FROM person ORDER BY email',
      )
      return people
        .map(
          ({ email: address, name, role, is_active: isActive }) =>
            `${String(address).padEnd(32)} ${String(role).padEnd(8)} ${name}${isActive ? '' : ' (switched off)'}`,
        )
        .join('\n')
    }
    if (!email) throw new Stop(USAGE)
    switch (what) {
      case 'add': {
        const role = roleOf(rest[1] ?? 'owner')
        if (!rest[0]) throw new Stop(USAGE)
        const [[agency]] = await pool.query<RowDataPacket[]>('SELECT agency_id FROM agency ORDER BY agency_id LIMIT 1')
        if (!agency) throw new Stop('There is no agency yet.')
        const [[known]] = await pool.query<RowDataPacket[]>('SELECT person_id FROM person WHERE email = ?', [email])
        if (known) throw new Stop(`Somebody signs in as ${email} already.`)
        await pool.query('INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (?, ?, ?, ?, ?)', [
          agency.agency_id,
          email,
          rest[0],
          role,
          await askPassword(),
        ])
        return `${rest[0]} can sign in as ${email}.`
      }
      case 'role':
        await change('role', roleOf(rest[0]))
        return `${email} is ${rest[0]} now. Whoever was signed in so signs in again.`
      case 'password':
        await change('password_hash', await askPassword())
        return `${email} has a new password. Whoever was signed in so signs in again.`
      case 'switch-off':
      case 'switch-on':
        await change('is_active', what === 'switch-on' ? 1 : 0)
        return what === 'switch-on'
          ? `${email} can sign in again.`
          : `${email} cannot sign in any more, and is signed out everywhere.`
      default:
        throw new Stop(USAGE)
    }
  } finally {
    await pool.end()
  }
}

try {
  console.log(await run(process.argv.slice(2)))
} catch (error) {
  const isDown = (error as { code?: string }).code === 'ECONNREFUSED'
  if (!(error instanceof Stop) && !isDown) throw error
  console.error(
    isDown ? 'The application does not run. Start it with npm start, and try again.' : (error as Error).message,
  )
  process.exitCode = 1
}
