import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { beforeAll, expect, it } from 'vitest'
import { signIn } from '../../server/platform/people/people'
import { beginSession, personOfSession } from '../../server/platform/people/sessions'
import { root } from '../support/application'
import { addClient, useDatabase } from './support/database'

const { url } = useDatabase('person')
const EMAIL = 'new@b.example'
beforeAll(() => addClient('person'))

const person = (args: string[], input = '') => {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(root, 'tools/person.ts'), ...args],
    { cwd: root, env: { ...process.env, ZAFFER_DATABASE_URL: url() }, input, encoding: 'utf8' },
  )
  return { status, said: stdout + stderr }
}

it('people are added, listed, given another role or password, and switched off, which ends their sessions', async () => {
  expect(person(['add', EMAIL, 'New', 'analyst'], 'short\n')).toMatchObject({
    status: 1,
    said: expect.stringContaining('too short') as string,
  })
  expect(person(['add', EMAIL, 'New', 'king'])).toMatchObject({
    status: 1,
    said: expect.stringContaining('A role is one of') as string,
  })
  expect(person(['add', EMAIL, 'New', 'analyst'], 'a long password\n')).toMatchObject({
    status: 0,
    said: expect.stringContaining(`New can sign in as ${EMAIL}.`) as string,
  })
  expect(person(['add', EMAIL, 'New', 'analyst'], 'a long password\n')).toMatchObject({
    status: 1,
    said: expect.stringContaining('already') as string,
  })
  const begin = async (password: string) =>
    await beginSession((await signIn(EMAIL, password, '127.0.0.1')).id, { address: '127.0.0.1', browser: '' })
  const first = await begin('a long password')
  expect((await personOfSession(first))!.person.role).toBe('analyst')
  expect(person(['role', EMAIL, 'viewer']).status).toBe(0)
  expect(await personOfSession(first)).toBeUndefined()
  const second = await begin('a long password')
  expect(person(['password', EMAIL], 'another password\n').status).toBe(0)
  expect(await personOfSession(second)).toBeUndefined()
  const third = await begin('another password')
  expect(person(['switch-off', EMAIL]).status).toBe(0)
  expect(await personOfSession(third)).toBeUndefined()
  await expect(signIn(EMAIL, 'another password', '127.0.0.1')).rejects.toThrow('do not belong together')
  expect(person(['list']).said).toMatch(/new@b\.example +viewer +New \(switched off\)/)
  expect(person(['switch-on', EMAIL]).status).toBe(0)
  expect((await signIn(EMAIL, 'another password', '127.0.0.1')).role).toBe('viewer')
  expect(person(['role', 'nobody@b.example', 'viewer'])).toMatchObject({
    status: 1,
    said: expect.stringContaining('Nobody signs in as') as string,
  })
  expect(person([])).toMatchObject({ status: 1, said: expect.stringContaining('Say what to do') as string })
})
