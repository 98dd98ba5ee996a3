// Every check, one after another, with one closing summary. All run even when one fails.
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
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
  ['lint', node('eslint/bin/eslint.js', '.', '--max-warnings', '0')],
  ['format', node('prettier/bin/prettier.cjs', '--check', '--log-level', 'warn', '.')],
  [
    'dependency rules',
    node(
      'dependency-cruiser/bin/dependency-cruise.mjs',
      'src',
      'demo',
      '--config',
      '.dependency-cruiser.cjs',
    ),
  ],
  ['dead code', node('knip/bin/knip.js', '--no-progress')],
  ['unit tests', node('jest/bin/jest.js', '--json', `--outputFile=${JEST_REPORT}`, '--silent')],
  ['build', () => (ensureBuild(), true)],
  ['e2e tests', node('@playwright/test/cli.js', 'test')],
]

function lockfileNamesNoHost() {
  const clean = !readFileSync(join(ROOT, 'package-lock.json'), 'utf8').includes('"resolved"')
  if (!clean)
    console.error('package-lock.json names download addresses. Make it again with this project’s .npmrc.')
  return clean
}

const results = []
for (const [name, check] of CHECKS) {
  if (only.length > 0 && !only.includes(name)) continue
  console.log(`\n== ${name}`)
  const startMs = Date.now()
  const ok = check()
  results.push({ name, ok, seconds: (Date.now() - startMs) / 1000 })
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
