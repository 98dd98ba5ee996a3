// Takes the pictures in docs/screenshots from the demo data, with a stopped clock.
import { ensureBuild, ensureChromium, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
const CHROMIUM = ensureChromium()
ensureBuild()
run(NODE, [TSX, 'scripts/screenshots.ts'], { CHROMIUM })
