// Development server on your own data.
import { ensurePackages, NODE, run, runTypeScript, SERVER } from './lib/setup.mjs'

ensurePackages()
runTypeScript('scripts/preflight.ts')
run(NODE, [SERVER, '--dev', '-p', process.env.KELPFIELD_PORT ?? '4680'])
