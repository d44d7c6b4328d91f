import { spawn } from 'node:child_process'

const running = new Set()

/** Runs a program to its end, without keeping signals waiting. Gives its exit code and what it printed. */
export function run(program, args, options = {}) {
  return new Promise((resolve) => {
    const child = spawn(program, args, { stdio: ['ignore', 'pipe', 'pipe'], ...options })
    running.add(child)
    let stdout = ''
    let stderr = ''
    child.stdout?.on('data', (part) => (stdout += part))
    child.stderr?.on('data', (part) => (stderr += part))
    child.on('error', (error) => resolve({ status: -1, stdout, stderr: String(error) }))
    child.on('close', (status) => {
      running.delete(child)
      resolve({ status, stdout, stderr })
    })
  })
}

/** Ends whatever is being run. */
export function endRunning() {
  for (const child of running) child.kill('SIGTERM')
}

/** The last lines of a text. */
export const tail = (text, lines) => text.trim().split('\n').slice(-lines).join('\n')
