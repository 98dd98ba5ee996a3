// What every command needs before it can run: packages, a build, Chromium. Plain Node, so that it works before
// anything is installed. Each step is skipped when what it makes is already right.
import { execFileSync, spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { createRequire } from 'node:module'
import { createServer } from 'node:net'
import { basename, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = fileURLToPath(new URL('../..', import.meta.url))
export const NODE = process.execPath
export const bin = (path) => join(ROOT, 'node_modules', path)
export const NEXT = bin('next/dist/bin/next')
export const SERVER = join(ROOT, 'scripts', 'server.mjs')
export const DEMO_FOLDER = join(ROOT, 'kelpfield-data', 'demo')
export const quietEnv = { NEXT_TELEMETRY_DISABLED: '1' }

/** Says what is wrong and ends, without a stack. */
export function fail(message) {
  console.error(`\n${message}\n`)
  process.exit(1)
}

/** Runs a command with its output shown; ends when it fails. */
export function run(file, args, env = {}) {
  const { status, error } = spawnSync(file, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...quietEnv, ...env },
  })
  if (error) fail(`${file} could not be started: ${error.message}`)
  if (status !== 0) process.exit(status ?? 1)
}

/**
 * Runs one of our TypeScript files, put into one file first: that takes a tenth of a second, and compiling every
 * module of every package as it is loaded took two. Packages stay outside.
 */
export function runTypeScript(path, args = [], env = {}) {
  const outfile = bin(`.cache/kelpfield/${basename(path, '.ts')}-${process.pid}.mjs`)
  remember(outfile, bundled(path))
  process.on('exit', () => rmSync(outfile, { force: true }))
  run(NODE, ['--enable-source-maps', outfile, ...args], env)
}

/** One of our TypeScript files with all it takes of ours, as one module. */
function bundled(path) {
  const { buildSync } = createRequire(import.meta.url)('esbuild')
  const { outputFiles } = buildSync({
    entryPoints: [join(ROOT, path)],
    write: false,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    logLevel: 'warning',
  })
  return outputFiles[0].text
}

/**
 * What a script of ours makes, kept under the hash of all the code that it is made by: made once, whoever asks for it.
 * `name` is the script's in scripts/; it is given the path to write to. *Returns* that path.
 */
function keptWork(name) {
  const kept = bin('.cache/kelpfield/kept')
  const made = `${name}-${digest([bundled(`scripts/${name}.ts`)]).slice(0, 16)}`
  const path = join(kept, made)
  if (existsSync(path)) return path
  mkdirSync(kept, { recursive: true })
  const beside = `${path}-${process.pid}`
  runTypeScript(`scripts/${name}.ts`, [beside])
  renameSync(beside, path)
  for (const old of readdirSync(kept))
    if (old.startsWith(`${name}-`) && old !== made) rmSync(join(kept, old), { recursive: true, force: true })
  return path
}

/** Sizes and pictures of all folds that ship: a file. */
export const ensureFigures = () => keptWork('ship-figures')

/** All finished pieces that ship, painted: a folder. */
const ensureForms = () => keptWork('paint-forms')

const digest = (parts) => {
  const hash = createHash('sha256')
  for (const part of parts) hash.update(part)
  return hash.digest('hex')
}

/**
 * The worker of the server's pool, as one module; made anew where its sources changed. *Returns* its path, which the
 * process that listens finds in KELPFIELD_POOL.
 */
export function ensurePool() {
  const text = bundled('src/pool/pool.worker.ts')
  const path = bin(`.cache/kelpfield/pool-${digest([text]).slice(0, 16)}.mjs`)
  if (!existsSync(path)) {
    // Another process may be about to read it.
    const beside = `${path}-${process.pid}`
    remember(beside, text)
    renameSync(beside, path)
  }
  return path
}

const matches = (path, wanted) => existsSync(path) && readFileSync(path, 'utf8') === wanted

function remember(path, value) {
  mkdirSync(join(path, '..'), { recursive: true })
  writeFileSync(path, value)
}

/** Packages as the lockfile says. */
export function ensurePackages() {
  const mark = join(ROOT, 'node_modules', '.kelpfield-installed')
  const wanted = digest([readFileSync(join(ROOT, 'package-lock.json')), process.version])
  if (matches(mark, wanted)) return
  console.log('Installing packages ...')
  // Whatever the mode the process is in: what builds and tests is wanted too.
  run('npm', ['ci', '--include=dev', '--no-audit', '--no-fund'])
  remember(mark, wanted)
}

function filesBelow(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) return filesBelow(path)
    return /\.test\.tsx?$/.test(entry.name) ? [] : [path]
  })
}

const BUILT_FROM = [
  'package-lock.json',
  'scripts/ship-figures.ts',
  'scripts/paint-forms.ts',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
]

/** Where the painted pieces of a build lie, and which ones they are. */
const FORMS = join(ROOT, '.next', 'library-forms')
const FORMS_MARK = join(ROOT, '.next', 'kelpfield-forms')

/** Paints the finished pieces, where none are kept of these sources, and puts them beside the build. */
export function ensurePainted() {
  const kept = ensureForms()
  if (existsSync(FORMS) && matches(FORMS_MARK, kept)) return
  const beside = `${FORMS}-${process.pid}`
  cpSync(kept, beside, { recursive: true })
  rmSync(FORMS, { recursive: true, force: true })
  renameSync(beside, FORMS)
  remember(FORMS_MARK, kept)
}

/** The same in a process of its own, behind all others: what is not painted yet is drawn flat. */
export function paintBeside() {
  const painter = spawn(NODE, [join(ROOT, 'scripts', 'paint.mjs')], { cwd: ROOT, stdio: 'ignore' })
  process.on('exit', () => painter.kill())
  painter.unref()
}

/** A production build of the sources as they are; `painted` says whether all finished pieces are waited for. */
export function ensureBuild({ painted = true } = {}) {
  ensureCompiled()
  if (painted) ensurePainted()
}

const BUILD_MARK = join(ROOT, '.next', 'kelpfield-build')

/** What a build of the sources as they are is marked by. */
function buildWanted() {
  const sources = [...BUILT_FROM.map((name) => join(ROOT, name)), ...filesBelow(join(ROOT, 'src')).sort()]
  return digest(sources.flatMap((path) => [path.slice(ROOT.length), readFileSync(path)]))
}

/** A build is whole once the figures of the library lie beside it. */
function finishBuild(wanted) {
  cpSync(ensureFigures(), join(ROOT, '.next', 'library-figures.json'))
  remember(BUILD_MARK, wanted)
}

function ensureCompiled() {
  const wanted = buildWanted()
  if (matches(BUILD_MARK, wanted)) return
  console.log('Building ...')
  run(NODE, [NEXT, 'build'])
  finishBuild(wanted)
}

/** The same in a process of its own, while something else is made ready. *Resolves* once the build is whole. */
export function compileBeside() {
  const wanted = buildWanted()
  if (matches(BUILD_MARK, wanted)) return Promise.resolve()
  console.log('Building ...')
  const build = spawn(NODE, [NEXT, 'build'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...quietEnv },
  })
  process.on('exit', () => build.kill())
  return new Promise((resolve) =>
    build.on('close', (status) => {
      if (status !== 0) process.exit(status ?? 1)
      finishBuild(wanted)
      resolve()
    }),
  )
}

const CHROMIUM_SHELL = '/usr/bin/chromium-headless-shell'
const CHROMIUM_PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

const installed = (packages) =>
  spawnSync(
    'apt-get',
    ['-o', 'DPkg::Lock::Timeout=300', 'install', '-y', '--no-install-recommends', ...packages],
    { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } },
  ).status === 0

/**
 * Debian's Chromium for the tests that drive the interface. *Returns* its path. The one without a window takes a
 * third less of the processor than the whole browser; where it cannot be had, the whole browser does as well.
 */
export function ensureChromium() {
  const own = process.env.CHROMIUM
  if (own) {
    if (!existsSync(own)) fail(`CHROMIUM names ${own}, which is not there.`)
    return own
  }
  if (existsSync(CHROMIUM_SHELL)) return CHROMIUM_SHELL
  const root = process.getuid?.() === 0
  const whole = CHROMIUM_PLACES.find((path) => existsSync(path))
  if (!root && !whole)
    fail(
      'Chromium is missing and only root can install it: sudo apt-get install chromium-headless-shell fonts-liberation',
    )
  if (!root) return whole
  console.log('Installing Chromium ...')
  for (let attempt = 1; attempt <= 3; attempt++) {
    // Where the whole browser is there already, a network that does not answer must not hold the tests up.
    const patience = whole ? ['Acquire::Retries=0', 'Acquire::http::Timeout=10'] : ['Acquire::Retries=3']
    spawnSync('apt-get', [...patience.flatMap((option) => ['-o', option]), 'update'], { stdio: 'inherit' })
    if (installed(['chromium-headless-shell', 'fonts-liberation'])) return CHROMIUM_SHELL
    if (whole) return whole
    if (installed(['chromium', 'fonts-liberation'])) return CHROMIUM_PLACES[0]
    execFileSync('sleep', [String(5 * attempt)])
  }
  return fail('Chromium could not be installed. Install the Debian package chromium by hand, then try again.')
}

/** Ends with a clear message when another program listens on the port. */
export async function requireFreePort(port, host) {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    fail('KELPFIELD_PORT must be a whole number from 1 to 65535.')
  await new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', (error) =>
      fail(
        error.code === 'EADDRINUSE'
          ? `Port ${port} is taken by another program. Stop it, or choose another: KELPFIELD_PORT=${port + 1}`
          : `Port ${port} cannot be listened on: ${error.message}`,
      ),
    )
    probe.listen(port, host, () => probe.close(resolve))
  })
}
