import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const withoutComponents = ['.nuxt/tsconfig.server.json', '.nuxt/tsconfig.shared.json', '.nuxt/tsconfig.node.json']

// what reads components needs the older compiler; all else is checked by the newest, in a fifth of the time
const checks = [
  ['vue-tsc/bin/vue-tsc.js', '-b', '.nuxt/tsconfig.app.json'],
  ['typescript7/bin/tsc', '-b', ...withoutComponents, 'tsconfig.tools.json'],
]
for (const [compiler, ...args] of checks)
  spawn(process.execPath, [...process.execArgv, join(root, 'node_modules', compiler), ...args], {
    cwd: root,
    stdio: 'inherit',
  }).on('close', (status) => (process.exitCode ||= status ?? 1))
