// Takes the demo database away and loads the demo data anew. Your own data is elsewhere and untouched.
import { rmSync } from 'node:fs'
import { DEMO_FOLDER, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
rmSync(DEMO_FOLDER, { recursive: true, force: true })
run(NODE, [TSX, 'scripts/load-demo.ts'], { KELPFIELD_DATA: DEMO_FOLDER })
