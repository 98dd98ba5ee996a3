// Times and sizes against their targets, printed as figures and ratios. Machines are noisy: medians and percentiles.
import { ensureBuild, ensureChromium, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
const CHROMIUM = ensureChromium()
ensureBuild()
run(NODE, [TSX, 'bench/core.ts'])
run(NODE, [TSX, 'bench/fold.ts'])
run(NODE, [TSX, 'bench/few-digits.ts'])
run(NODE, [TSX, 'bench/pages.ts'], { CHROMIUM })
run(NODE, [TSX, 'bench/heavy-pages.ts'])
