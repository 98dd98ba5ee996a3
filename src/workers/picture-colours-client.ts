import type { PictureAnswer, PictureColoursWorker } from './picture-colours.worker'
import { runInWorker, type Running } from './running'

/** Finds the colours of a picture in a worker of its own. */
export const startPictureColours = (file: Blob, most: number): Running<PictureAnswer> =>
  runInWorker<PictureColoursWorker, never, PictureAnswer>(
    new Worker(new URL('./picture-colours.worker.ts', import.meta.url), { type: 'module' }),
    (remote) => remote.colours(file, most),
    () => undefined,
  )
