import { expose } from 'comlink'
import { coloursOfPicture, type PictureColour } from '@/core/colour'

export type PictureAnswer =
  | { readonly ok: true; readonly colours: readonly PictureColour[] }
  | { readonly ok: false; readonly code: 'NOT_A_PICTURE' | 'NO_COLOUR' }

/** A picture is looked at in so many points a side: its colours are the same, whatever becomes of its shape. */
const SIDE = 96

/** The picture's points, made small. *Throws* where the browser cannot read it as a picture. */
async function smallPixels(file: Blob): Promise<Uint8ClampedArray> {
  const small = await createImageBitmap(file, {
    resizeWidth: SIDE,
    resizeHeight: SIDE,
    resizeQuality: 'low',
  })
  const pen = new OffscreenCanvas(SIDE, SIDE).getContext('2d')
  if (!pen) throw new Error('no canvas')
  pen.drawImage(small, 0, 0)
  small.close()
  return pen.getImageData(0, 0, SIDE, SIDE).data
}

/** The colours of a picture. It stays in the browser: no part of it is sent anywhere. */
async function colours(file: Blob, most: number): Promise<PictureAnswer> {
  let pixels: Uint8ClampedArray
  try {
    pixels = await smallPixels(file)
  } catch {
    return { ok: false, code: 'NOT_A_PICTURE' }
  }
  const found = coloursOfPicture(pixels, most)
  return found.length === 0 ? { ok: false, code: 'NO_COLOUR' } : { ok: true, colours: found }
}

export interface PictureColoursWorker {
  colours: typeof colours
}

expose({ colours } satisfies PictureColoursWorker)
