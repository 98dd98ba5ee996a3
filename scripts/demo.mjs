// Starts Kelpfield with the demo data, in a database of its own.
import {
  compileBeside,
  DEMO_FOLDER,
  ensureFigures,
  ensurePackages,
  paintBeside,
  requireFreePort,
  runTypeScript,
} from './lib/setup.mjs'
import { serve } from './lib/serve.mjs'

const port = Number(process.env.KELPFIELD_PORT ?? 4680)
const env = { KELPFIELD_DATA: process.env.KELPFIELD_DATA ?? DEMO_FOLDER, KELPFIELD_PORT: String(port) }

ensurePackages()
await requireFreePort(port, '127.0.0.1')
// Beside the build, which takes longest: the sizes of all designs, then the data that is made with them.
const compiled = compileBeside()
runTypeScript('scripts/load-demo.ts', [], { ...env, KELPFIELD_FIGURES: ensureFigures() })
await compiled
await serve({
  host: '127.0.0.1',
  port,
  env,
  say: (address) => {
    console.log(`\nKelpfield with the demo data: ${address}\nStop it with Ctrl C.\n`)
    paintBeside()
  },
})
