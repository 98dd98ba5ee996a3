// Taps from several windows while the data is killed, locked, filled up and taken away; every acknowledged tap must be
// in the ledger once. `npm run soak -- 20` for 20 rounds.
import { ensureBuild, ensurePackages, runTypeScript } from './lib/setup.mjs'

ensurePackages()
ensureBuild()
runTypeScript('bench/soak.ts', process.argv.slice(2))
