import { createReadStream, mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { openHandler } from '@/app/_server/guard'
import { takeBackup } from '@/flows/backup'
import { nowMs } from '@/flows/context'

export const dynamic = 'force-dynamic'

/** The whole database as one file, consistent while in use. */
export async function GET(request: Request): Promise<Response> {
  const opened = await openHandler(request)
  if ('response' in opened) return opened.response
  const folder = mkdtempSync(join(tmpdir(), 'kelpfield-backup-'))
  const remove = () => rmSync(folder, { recursive: true, force: true })
  try {
    const path = join(folder, 'kelpfield.db')
    await takeBackup(path)
    const stream = createReadStream(path)
    stream.on('close', remove)
    const day = new Date(nowMs()).toISOString().slice(0, 10)
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      headers: {
        'content-type': 'application/vnd.sqlite3',
        'content-length': String(statSync(path).size),
        'content-disposition': `attachment; filename="kelpfield-${day}.db"`,
        'cache-control': 'no-store',
      },
    })
  } catch (error) {
    remove()
    throw error
  }
}
