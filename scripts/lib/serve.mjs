// Starts the built application and says where it is once it answers.
import { spawn } from 'node:child_process'
import { fail, NODE, quietEnv, ROOT, SERVER } from './setup.mjs'

const PATIENCE_MS = 60_000
const POLITE_MS = 2000

async function answers(address) {
  try {
    const response = await fetch(address, { redirect: 'manual' })
    return response.status < 500
  } catch {
    return false
  }
}

/** Serves on `host` until stopped. `say` prints once the first page answers. */
export async function serve({ host, port, env, say }) {
  const server = spawn(NODE, [SERVER, '-H', host, '-p', String(port)], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, ...quietEnv, NODE_ENV: 'production', ...env },
  })
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.on(signal, () => {
      server.kill(signal)
      // Every tap is written as it comes, so a browser that keeps its connection open need not hold the end up.
      setTimeout(() => server.kill('SIGKILL'), POLITE_MS).unref()
    })
  server.on('exit', (code) => process.exit(code ?? 0))
  const address = `http://127.0.0.1:${port}`
  const giveUpAt = Date.now() + PATIENCE_MS
  while (!(await answers(address))) {
    if (Date.now() > giveUpAt) {
      server.kill('SIGTERM')
      fail('Kelpfield did not answer within a minute. What it printed above says why.')
    }
    await new Promise((resolve) => setTimeout(resolve, 150))
  }
  say(address)
}
