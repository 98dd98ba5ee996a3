import { z } from 'zod'
import { countText, idText, noteText, optionalText } from './fields'

/** Pieces handed over, line by line, and where they went. */
export const deliveryFields = z.strictObject({
  note: noteText('the note', 500),
  /** Pieces by line, as typed; an empty one is none. */
  pieces: z
    .array(
      z.strictObject({
        lineId: idText('a line'),
        pieces: optionalText(countText({ name: 'how many', min: 0, max: 1_000_000 })),
      }),
    )
    .max(60),
})
