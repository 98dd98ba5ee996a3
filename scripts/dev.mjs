// Development server on your own data.
import { ensurePackages, NEXT, NODE, run, runTypeScript } from './lib/setup.mjs'

ensurePackages()
runTypeScript('scripts/preflight.ts')
run(NODE, [NEXT, 'dev', '-H', '127.0.0.1', '-p', process.env.KELPFIELD_PORT ?? '4680'])
