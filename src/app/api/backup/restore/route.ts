import { randomUUID } from 'node:crypto'
import { createWriteStream, rmSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeReadableStream } from 'node:stream/web'
import { handler, refusalResponse, refused } from '@/app/_server/guard'
import { temporaryFolder } from '@/data/folder-claim'
import { asTrouble } from '@/data/trouble'
import { restoreBackup } from '@/flows/backup'
import { config } from '@/flows/context'

export const dynamic = 'force-dynamic'

/** Largest backup that is taken in: a hundred times the demo. */
const MOST_BYTES = 512 * 1024 * 1024
const TOO_LARGE = 'This file is larger than 512 MB. Nothing was changed.'

class TooLargeError extends Error {}

const limit = () => {
  let bytes = 0
  return new Transform({
    transform(chunk: Buffer, _, done) {
      bytes += chunk.length
      done(bytes > MOST_BYTES ? new TooLargeError() : null, chunk)
    },
  })
}

/** Puts a backup in the place of the database. The body is the file itself, streamed to disk. */
export const POST = handler({ reads: 'own pages only' }, async (request) => {
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES) return refused(413, TOO_LARGE)
  const path = join(temporaryFolder(dirname(config().databasePath)), `${randomUUID()}.db`)
  try {
    const body = request.body ?? new Blob([]).stream()
    await pipeline(
      Readable.fromWeb(body as NodeReadableStream),
      limit(),
      createWriteStream(path, { mode: 0o600 }),
    )
    const restored = await restoreBackup(path)
    return restored.ok ? Response.json({ ok: true }) : refusalResponse(restored)
  } catch (error) {
    if (error instanceof TooLargeError) return refused(413, TOO_LARGE)
    throw asTrouble(error)
  } finally {
    rmSync(path, { force: true })
  }
})
