// Many taps from several windows at once, with the server killed in between; every tap must be in the ledger once.
import { ensureBuild, ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

ensurePackages()
ensureBuild()
run(NODE, [TSX, 'bench/soak.ts'])
