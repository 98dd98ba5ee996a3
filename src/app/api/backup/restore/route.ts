import { createWriteStream, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable, Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import type { ReadableStream as NodeReadableStream } from 'node:stream/web'
import { openHandler } from '@/app/_server/guard'
import { DatabaseProblemError } from '@/data/open-database'
import { restoreBackup } from '@/flows/backup'
import { refusalWords } from '@/ui/format'
import { RefusalError } from '@/flows/deed'

export const dynamic = 'force-dynamic'

/** Largest backup that is taken in: a thousand times the demo. */
const MOST_BYTES = 512 * 1024 * 1024

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

const refuse = (code: 'BAD_BACKUP' | 'TOO_LARGE', detail: Record<string, string>, status: number): Response =>
  Response.json({ ok: false, message: refusalWords(new RefusalError(code, detail).refusal) }, { status })

/** Puts a backup in the place of the database. The body is the file itself, streamed to disk. */
export async function POST(request: Request): Promise<Response> {
  const opened = await openHandler(request)
  if ('response' in opened) return opened.response
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES)
    return refuse('TOO_LARGE', { most: '512 MB' }, 413)
  const folder = mkdtempSync(join(tmpdir(), 'kelpfield-restore-'))
  try {
    const path = join(folder, 'uploaded.db')
    const body = request.body ?? new Blob([]).stream()
    await pipeline(Readable.fromWeb(body as NodeReadableStream), limit(), createWriteStream(path))
    await restoreBackup(path)
    return Response.json({ ok: true })
  } catch (error) {
    if (error instanceof TooLargeError) return refuse('TOO_LARGE', { most: '512 MB' }, 413)
    if (error instanceof DatabaseProblemError) return refuse('BAD_BACKUP', { why: restoreWords(error) }, 422)
    throw error
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** Why a backup was refused, without paths of the machine. */
function restoreWords({ problem }: DatabaseProblemError): string {
  switch (problem) {
    case 'NEWER_VERSION':
      return 'This backup comes from a newer Kelpfield. Update this one first. Nothing was changed.'
    case 'OTHER_APPLICATION':
      return 'This file is a database of another application. Choose a Kelpfield backup. Nothing was changed.'
    case 'NOT_A_DATABASE':
      return 'This file is not a backup. Choose one that was taken here, ending in .db. Nothing was changed.'
    default:
      return 'This backup is damaged and cannot be put back. Try an older one. Nothing was changed.'
  }
}
