import { ensureFigures, ensurePool } from '../scripts/lib/setup.mjs'

/** Where test/library.ts finds the figures of all that ships, and tests of the pool what its threads run. */
export default function setup() {
  process.env.KELPFIELD_TEST_FIGURES = ensureFigures()
  process.env.KELPFIELD_TEST_POOL = ensurePool()
}
