import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** Every command runs in the project's folder. */
const ROOT = process.cwd()
const SERVER = join(ROOT, 'scripts', 'server.mjs')
const PATIENCE_MS = 30_000
const POLITE_MS = 2000

export interface ServerOptions {
  /** Loads the demo data, or copies what a folder holds. */
  readonly demo?: true
  readonly copyOf?: Data
  readonly env?: Readonly<Record<string, string>>
  /** The data folder; one of its own where none is given. */
  readonly folder?: string
}

/** What a server can begin with; their folders are made once, before all tests. */
export type Data = 'demo' | 'nothing'
const folderOf = (data: Data): string => join(ROOT, 'test-results', 'data', data)

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address()
      probe.close(() =>
        address !== null && typeof address === 'object'
          ? resolve(address.port)
          : reject(new Error('no port')),
      )
    })
  })

/** The built application on a port and in a data folder of its own; it can be stopped and started again. */
export class TestServer {
  readonly folder: string
  readonly port: number
  readonly output: string[] = []
  #env: Readonly<Record<string, string>>
  #process: ChildProcess | null = null

  private constructor(folder: string, port: number, env: Readonly<Record<string, string>>) {
    this.folder = folder
    this.port = port
    this.#env = env
  }

  static async start(options: ServerOptions = {}): Promise<TestServer> {
    const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'kelpfield-e2e-'))
    const server = new TestServer(folder, await freePort(), options.env ?? {})
    if (options.demo) server.script('load-demo')
    if (options.copyOf !== undefined) cpSync(folderOf(options.copyOf), folder, { recursive: true })
    await server.begin()
    return server
  }

  static makeData(): void {
    for (const [data, script] of [
      ['demo', 'load-demo'],
      ['nothing', 'preflight'],
    ] as const) {
      rmSync(folderOf(data), { recursive: true, force: true })
      const { status, output } = new TestServer(folderOf(data), 4680, {}).script(script)
      if (status !== 0) throw new Error(`no data to begin with: ${output}`)
    }
  }

  /** Exchanges what the running server holds, by putting back a backup: a start costs more than most tests. */
  async hold(data: Data): Promise<void> {
    const answer = await fetch(`${this.address}/api/backup/restore`, {
      method: 'POST',
      headers: { origin: this.address },
      body: readFileSync(join(folderOf(data), 'kelpfield.db')),
    })
    if (!answer.ok) throw new Error(`the data was not exchanged: ${await answer.text()}`)
    // What was replaced is kept beside it; the next test begins without.
    for (const name of readdirSync(this.folder))
      if (name.includes('.before-')) rmSync(join(this.folder, name))
  }

  get pid(): number {
    return this.#process?.pid ?? 0
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`
  }

  get #environment(): NodeJS.ProcessEnv {
    return {
      ...process.env,
      NEXT_TELEMETRY_DISABLED: '1',
      NODE_ENV: 'production',
      KELPFIELD_DATA: this.folder,
      KELPFIELD_PORT: String(this.port),
      ...this.#env,
    }
  }

  /** Runs one of the project's scripts on this server's data. */
  script(name: string, input = ''): { readonly status: number | null; readonly output: string } {
    const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/run.mjs', name], {
      cwd: ROOT,
      env: this.#environment,
      input,
      encoding: 'utf8',
    })
    return { status, output: `${stdout}${stderr}` }
  }

  /** Sets variables for the next start. */
  configure(env: Readonly<Record<string, string>>): void {
    this.#env = { ...this.#env, ...env }
  }

  async begin(): Promise<void> {
    const server = spawn(process.execPath, [SERVER, '-H', '127.0.0.1', '-p', String(this.port)], {
      cwd: ROOT,
      env: this.#environment,
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.#process = server
    server.stdout.on('data', (chunk: Buffer) => this.output.push(chunk.toString()))
    server.stderr.on('data', (chunk: Buffer) => this.output.push(chunk.toString()))
    const giveUpAt = Date.now() + PATIENCE_MS
    for (;;) {
      if (await this.#answers()) return
      if (Date.now() > giveUpAt || server.exitCode !== null)
        throw new Error(`no server: ${this.output.join('')}`)
      await new Promise((resolve) => setTimeout(resolve, 100))
    }
  }

  async #answers(): Promise<boolean> {
    try {
      return (await fetch(`${this.address}/unlock`, { redirect: 'manual' })).status < 500
    } catch {
      return false
    }
  }

  /** A second server on the same data: what it says and how it ends. */
  async second(): Promise<{ readonly status: number | null; readonly output: string }> {
    const port = await freePort()
    const other = spawn(process.execPath, [SERVER, '-H', '127.0.0.1', '-p', String(port)], {
      cwd: ROOT,
      env: this.#environment,
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    let output = ''
    other.stdout.on('data', (chunk: Buffer) => (output += chunk.toString()))
    other.stderr.on('data', (chunk: Buffer) => (output += chunk.toString()))
    const impatient = setTimeout(() => other.kill('SIGKILL'), PATIENCE_MS)
    const status = await new Promise<number | null>((resolve) => other.once('exit', resolve))
    clearTimeout(impatient)
    return { status, output }
  }

  /** Ends the process; the data stays. */
  async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
    const server = this.#process
    this.#process = null
    if (!server || server.exitCode !== null) return
    const ended = new Promise((resolve) => server.once('exit', resolve))
    server.kill(signal)
    // A browser that keeps its connection open holds a polite end up.
    const impatient = setTimeout(() => server.kill('SIGKILL'), POLITE_MS)
    await ended
    clearTimeout(impatient)
  }

  async remove(): Promise<void> {
    await this.stop()
    rmSync(this.folder, { recursive: true, force: true })
  }
}
