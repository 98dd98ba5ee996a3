import { ensureFigures } from '../scripts/lib/setup.mjs'

/** Where test/library.ts finds the figures of all that ships. */
export default function setup() {
  process.env.KELPFIELD_TEST_FIGURES = ensureFigures()
}
