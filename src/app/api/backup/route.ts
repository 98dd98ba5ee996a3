import { randomUUID } from 'node:crypto'
import { createReadStream, fstatSync, openSync, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Readable } from 'node:stream'
import { handler, methodNotAllowed } from '@/app/_server/guard'
import { temporaryFolder } from '@/data/folder-claim'
import { takeBackup } from '@/flows/backup'
import { config, nowMs } from '@/flows/context'

export const dynamic = 'force-dynamic'

/**
 * The whole database as one file, consistent while in use. The copy loses its name before the first byte goes out, so
 * that it is gone from the disk however the answer ends.
 */
export const GET = handler({ reads: 'own pages only' }, async () => {
  const path = join(temporaryFolder(dirname(config().databasePath)), `${randomUUID()}.db`)
  try {
    await takeBackup(path)
    const fd = openSync(path, 'r')
    const day = new Date(nowMs()).toISOString().slice(0, 10)
    return new Response(Readable.toWeb(createReadStream('', { fd })) as ReadableStream, {
      headers: {
        'content-type': 'application/vnd.sqlite3',
        'content-length': String(fstatSync(fd).size),
        'content-disposition': `attachment; filename="kelpfield-${day}.db"`,
        'cache-control': 'no-store',
      },
    })
  } finally {
    rmSync(path, { force: true })
  }
})

/** Next would answer HEAD by taking a whole backup. */
export const HEAD = methodNotAllowed
