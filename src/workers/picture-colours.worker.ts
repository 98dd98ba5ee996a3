import { expose } from 'comlink'
import { coloursOfPicture, type PictureColour } from '@/core/colour'

export type PictureAnswer =
  | { readonly ok: true; readonly colours: readonly PictureColour[] }
  | { readonly ok: false; readonly code: 'NOT_A_PICTURE' | 'NO_COLOUR' }

/** A picture is looked at this small: its colours are the same, and a large one takes no longer. */
const LONGEST = 128

/** The picture's points, made small. *Throws* where the browser cannot read it as a picture. */
async function smallPixels(file: Blob): Promise<Uint8ClampedArray> {
  const whole = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST / Math.max(whole.width, whole.height))
  const [width, height] = [whole.width, whole.height].map((side) => Math.max(1, Math.round(side * scale)))
  const canvas = new OffscreenCanvas(width ?? 1, height ?? 1)
  const pen = canvas.getContext('2d')
  if (!pen) throw new Error('no canvas')
  pen.drawImage(whole, 0, 0, canvas.width, canvas.height)
  whole.close()
  return pen.getImageData(0, 0, canvas.width, canvas.height).data
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
