// Takes the demo database away and loads the demo data anew. Your own data is elsewhere and untouched.
import { DEMO_FOLDER, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
run(NODE, [TSX, 'scripts/load-demo.ts', '--afresh'], { KELPFIELD_DATA: DEMO_FOLDER })
