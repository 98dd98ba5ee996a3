// Runs one of the TypeScript scripts beside this file: `node scripts/run.mjs migrate`.
import { ensurePackages, NODE, run, TSX } from './lib/setup.mjs'

const [script, ...rest] = process.argv.slice(2)
ensurePackages()
run(NODE, [TSX, `scripts/${script}.ts`, ...rest])
