// Takes the pictures in docs/screenshots from the demo data, with a stopped clock, and a contact sheet of every step.
import { ensureBuild, ensureChromium, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
const CHROMIUM = ensureChromium()
ensureBuild()
run(NODE, [TSX, 'scripts/screenshots.ts'], { CHROMIUM })
run(NODE, [TSX, 'scripts/contact-sheets.ts'], { CHROMIUM })
