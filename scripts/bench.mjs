// Times and sizes against their targets, printed as figures and ratios. Machines are noisy: medians and percentiles.
import { ensureBuild, ensureChromium, ensurePackages, runTypeScript } from './lib/setup.mjs'

ensurePackages()
const CHROMIUM = ensureChromium()
ensureBuild()
runTypeScript('bench/core.ts')
runTypeScript('bench/cut.ts')
runTypeScript('bench/fold.ts')
runTypeScript('bench/shape.ts')
runTypeScript('bench/few-digits.ts')
runTypeScript('bench/pages.ts', [], { CHROMIUM })
runTypeScript('bench/arrangements.ts', [], { CHROMIUM })
runTypeScript('bench/heavy-pages.ts')
runTypeScript('bench/large-brief.ts')
