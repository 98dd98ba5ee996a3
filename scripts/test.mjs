// Every check, with one closing summary. All run even when one fails. What only reads the sources runs beside the tests in
// the browser, which mostly wait, and behind them.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { constants, setPriority } from 'node:os'
import { join } from 'node:path'
import { bin, ensureBuild, ensureChromium, ensurePackages, NEXT, NODE, quietEnv, ROOT } from './lib/setup.mjs'

ensurePackages()
const chromium = ensureChromium()
const only = process.argv.slice(2)

const REPORTS = join(ROOT, 'test-reports')
const JEST_REPORT = join(REPORTS, 'unit.json')
const E2E_REPORT = join(REPORTS, 'e2e.json')
rmSync(REPORTS, { recursive: true, force: true })
mkdirSync(REPORTS)

const node =
  (path, ...args) =>
  () =>
    spawnSync(NODE, [bin(path), ...args], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...quietEnv, CHROMIUM: chromium },
    }).status === 0

/** The same beside what else runs, its output kept until it is done. *Resolves* with whether it went well, and how long it took. */
const beside =
  (path, ...args) =>
  () => {
    const startMs = Date.now()
    const child = spawn(NODE, [bin(path), ...args], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...quietEnv },
    })
    setPriority(child.pid, constants.priority.PRIORITY_BELOW_NORMAL)
    const output = []
    child.stdout.on('data', (chunk) => output.push(chunk))
    child.stderr.on('data', (chunk) => output.push(chunk))
    return new Promise((resolve) =>
      child.on('close', (status) =>
        resolve({
          ok: status === 0,
          seconds: (Date.now() - startMs) / 1000,
          output: Buffer.concat(output).toString(),
        }),
      ),
    )
  }

const CHECKS = [
  ['lockfile', () => lockfileNamesNoHost()],
  [
    'routes',
    () =>
      spawnSync(NODE, [NEXT, 'typegen'], {
        cwd: ROOT,
        stdio: 'inherit',
        env: { ...process.env, ...quietEnv },
      }).status === 0,
  ],
  ['types', node('typescript/bin/tsc', '--noEmit')],
  ['core types', node('typescript/bin/tsc', '--noEmit', '-p', 'tsconfig.core.json')],
  ['unit tests', node('jest/bin/jest.js', '--json', `--outputFile=${JEST_REPORT}`, '--silent')],
  ['build', () => (ensureBuild(), true)],
]

const READING = [
  ['lint', beside('eslint/bin/eslint.js', '.', '--max-warnings', '0')],
  ['format', beside('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
  [
    'dependency rules',
    beside(
      'dependency-cruiser/bin/dependency-cruise.mjs',
      'src',
      'demo',
      '--config',
      '.dependency-cruiser.cjs',
    ),
  ],
  ['dead code', beside('knip/bin/knip.js', '--no-progress')],
]

/** The tests in the browser, shown as they go. */
const inTheBrowser = () =>
  new Promise((resolve) => {
    const startMs = Date.now()
    spawn(NODE, [bin('@playwright/test/cli.js'), 'test'], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, ...quietEnv, CHROMIUM: chromium },
    }).on('close', (status) => resolve({ ok: status === 0, seconds: (Date.now() - startMs) / 1000 }))
  })
const BROWSER = 'e2e tests'

function lockfileNamesNoHost() {
  const clean = !readFileSync(join(ROOT, 'package-lock.json'), 'utf8').includes('"resolved"')
  if (!clean)
    console.error('package-lock.json names download addresses. Make it again with this project’s .npmrc.')
  return clean
}

const results = []
const isAsked = (name) => only.length === 0 || only.includes(name)
for (const [name, check] of CHECKS) {
  if (!isAsked(name)) continue
  console.log(`\n== ${name}`)
  const startMs = Date.now()
  const ok = check()
  results.push({ name, ok, seconds: (Date.now() - startMs) / 1000 })
}

/** One after another, so that one processor is left to the browser. */
async function readSources() {
  const done = []
  for (const [name, check] of READING) if (isAsked(name)) done.push({ name, ...(await check()) })
  return done
}

if (isAsked(BROWSER)) console.log(`\n== ${BROWSER}, and beside them what only reads the sources`)
const [browser, read] = await Promise.all([isAsked(BROWSER) ? inTheBrowser() : null, readSources()])
if (browser) results.push({ name: BROWSER, ...browser })
for (const { output, ...result } of read) {
  if (output.trim() !== '') console.log(`\n== ${result.name}\n${output}`)
  results.push(result)
}

/** Tests counted by the runners themselves; a report that is missing counts as one failure of its check. */
function counted() {
  const sum = { passed: 0, failed: 0, skipped: 0, flaky: 0 }
  if (existsSync(JEST_REPORT)) {
    const jest = JSON.parse(readFileSync(JEST_REPORT, 'utf8'))
    sum.passed += jest.numPassedTests
    sum.failed += jest.numFailedTests + jest.numRuntimeErrorTestSuites
    sum.skipped += jest.numPendingTests
  }
  if (existsSync(E2E_REPORT)) {
    const { stats } = JSON.parse(readFileSync(E2E_REPORT, 'utf8'))
    sum.passed += stats.expected + stats.flaky
    sum.failed += stats.unexpected
    sum.skipped += stats.skipped
    sum.flaky += stats.flaky
  }
  return sum
}

const { passed, failed, skipped, flaky } = counted()
const checksFailed = results.filter((result) => !result.ok)
console.log('\n')
for (const { name, ok, seconds } of results)
  console.log(`${ok ? 'ok    ' : 'FAILED'} ${name.padEnd(18)} ${seconds.toFixed(1)} s`)
console.log(`checks: ${results.length - checksFailed.length} ok, ${checksFailed.length} not`)
if (flaky > 0) console.log(`passed only at a second try: ${flaky}`)
console.log(`${passed} passed, ${failed} failed, ${skipped} skipped`)
process.exit(checksFailed.length === 0 ? 0 : 1)
