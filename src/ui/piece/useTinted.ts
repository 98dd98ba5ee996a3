import { useEffect, useState } from 'react'
import { channelsOf } from '@/core/colour'
import type { PaperFaces } from '../diagram/Paper'

/** Pictures in the colours they were asked in, as text, by address and colours: a page has a handful. */
const tinted = new Map<string, Promise<string>>()
const MOST = 60

/** A painted picture in the colours of a paper, point by point: many copies of it then cost no more than of any picture. */
async function tint(address: string, { front, back }: PaperFaces, mostPx: number): Promise<string> {
  const image = new Image()
  image.src = address
  await image.decode()
  const canvas = document.createElement('canvas')
  const scale = Math.min(1, mostPx / Math.max(image.naturalWidth, image.naturalHeight))
  canvas.width = Math.ceil(image.naturalWidth * scale)
  canvas.height = Math.ceil(image.naturalHeight * scale)
  const pen = canvas.getContext('2d')
  if (!pen) throw new Error('no canvas')
  pen.imageSmoothingQuality = 'high'
  pen.drawImage(image, 0, 0, canvas.width, canvas.height)
  const points = pen.getImageData(0, 0, canvas.width, canvas.height)
  const { data } = points
  const [one, other] = [channelsOf(front), channelsOf(back)]
  for (let at = 0; at < data.length; at += 4) {
    const [red, green] = [data[at] ?? 0, data[at + 1] ?? 0]
    data[at] = red * one.r + green * other.r
    data[at + 1] = red * one.g + green * other.g
    data[at + 2] = red * one.b + green * other.b
  }
  pen.putImageData(points, 0, 0)
  return canvas.toDataURL('image/png')
}

/** The picture at an address in a paper's colours, no larger than that; `null` until it is ready, or where the browser cannot. */
export function useTinted(address: string, faces: PaperFaces, mostPx: number): string | null {
  const name = `${address} ${faces.front} ${faces.back} ${mostPx}`
  const [ready, setReady] = useState<{ readonly name: string; readonly text: string } | null>(null)
  const { front, back } = faces
  useEffect(() => {
    let wanted = true
    const known = tinted.get(name)
    const coming = known ?? tint(address, { front, back }, mostPx)
    tinted.set(name, coming)
    // The oldest goes first; who shows it has it already.
    const [oldest] = tinted.keys()
    if (tinted.size > MOST && oldest !== undefined) tinted.delete(oldest)
    coming.then(
      (text) => {
        if (wanted) setReady({ name, text })
      },
      () => tinted.delete(name),
    )
    return () => {
      wanted = false
    }
  }, [name, address, front, back, mostPx])
  return ready?.name === name ? ready.text : null
}
