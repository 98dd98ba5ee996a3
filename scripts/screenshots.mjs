// Takes the pictures in docs/screenshots from the demo data, with a stopped clock, and a contact sheet of every step.
import { ensureBuild, ensureChromium, ensurePackages, runTypeScript } from './lib/setup.mjs'

ensurePackages()
const CHROMIUM = ensureChromium()
ensureBuild()
runTypeScript('scripts/screenshots.ts', [], { CHROMIUM })
runTypeScript('scripts/contact-sheets.ts', [], { CHROMIUM })
