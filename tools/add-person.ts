import { createInterface } from 'node:readline/promises'
import { readFileSync } from 'node:fs'
import { hashPassword } from '../server/auth/password'
import { connect } from '../server/db/pool'

/**
 * Adds a person of one's own: npm run add-person -- you@company.example "Your Name" owner
 * The application must be running. The password is asked for, and never stands in the command.
 */
const [email, name, role = 'owner'] = process.argv.slice(2)
if (!email || !name || !['owner', 'analyst', 'viewer'].includes(role)) {
  console.error('Say who it is: npm run add-person -- you@company.example "Your Name" owner')
  process.exit(1)
}
const data = process.env.ZAFFER_DATA ?? '.data'
const url = process.env.ZAFFER_DATABASE_URL ?? readFileSync(`${data}/database-url`, 'utf8')
const questions = createInterface({ input: process.stdin, output: process.stdout })
const password = await questions.question('A password of at least 12 letters: ')
questions.close()
if (password.length < 12) {
  console.error('That password is too short.')
  process.exit(1)
}
const pool = connect(url, 1)
const [agencies] = await pool.query('SELECT agency_id FROM agency ORDER BY agency_id LIMIT 1')
const [agency] = agencies as { agency_id: number }[]
if (!agency) throw new Error('There is no agency yet.')
await pool.query('INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (?, ?, ?, ?, ?)', [agency.agency_id, email, name, role, await hashPassword(password)])
await pool.end()
console.log(`${name} can sign in as ${email}.`)
