// Starts Kelpfield with your own data. `--room` opens it to the room, for a tablet at the table.
import { ensureBuild, ensurePackages, paintBeside, requireFreePort, runTypeScript } from './lib/setup.mjs'
import { serve } from './lib/serve.mjs'

const room = process.argv.includes('--room') || process.env.KELPFIELD_ROOM === '1'
const port = Number(process.env.KELPFIELD_PORT ?? 4680)
const host = room ? '0.0.0.0' : '127.0.0.1'
const env = { KELPFIELD_ROOM: room ? '1' : '0', KELPFIELD_PORT: String(port) }

ensurePackages()
runTypeScript('scripts/preflight.ts', [], env)
await requireFreePort(port, host)
ensureBuild({ painted: false })
await serve({
  host,
  port,
  env,
  say: (address) => {
    console.log(
      room
        ? `\nKelpfield is open to this room, port ${port}. On this machine: ${address}\nOther devices are asked for the passphrase. Plain http: only in a room you trust (docs/room.md).\n`
        : `\nKelpfield: ${address}\nStop it with Ctrl C.\n`,
    )
    paintBeside()
  },
})
