// Starts Kelpfield with the demo data, in a database of its own.
import {
  DEMO_FOLDER,
  ensureBuild,
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
// Before the build: a folder or a database that cannot be used is said at once.
runTypeScript('scripts/load-demo.ts', [], env)
ensureBuild({ painted: false })
await serve({
  host: '127.0.0.1',
  port,
  env,
  say: (address) => {
    console.log(`\nKelpfield with the demo data: ${address}\nStop it with Ctrl C.\n`)
    paintBeside()
  },
})
