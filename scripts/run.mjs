// Runs one of the TypeScript scripts beside this file: `node scripts/run.mjs migrate`.
import { ensurePackages, runTypeScript } from './lib/setup.mjs'

const [script, ...rest] = process.argv.slice(2)
ensurePackages()
runTypeScript(`scripts/${script}.ts`, rest)
