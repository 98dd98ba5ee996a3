// Takes the demo database away and loads the demo data anew. Your own data is elsewhere and untouched.
import { DEMO_FOLDER, ensurePackages, runTypeScript } from './lib/setup.mjs'

ensurePackages()
runTypeScript('scripts/load-demo.ts', ['--afresh'], { KELPFIELD_DATA: DEMO_FOLDER })
