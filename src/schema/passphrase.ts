import { z } from 'zod'

const SHORTEST_PASSPHRASE = 8
const LONGEST_PASSPHRASE = 200

/** A passphrase that is set. */
export const passphraseText = z
  .string({ error: 'Enter a passphrase.' })
  .refine(
    (text) => text.trim().length >= SHORTEST_PASSPHRASE,
    `Use at least ${SHORTEST_PASSPHRASE} characters, better several words.`,
  )
  .refine((text) => text.length <= LONGEST_PASSPHRASE, `Keep it under ${LONGEST_PASSPHRASE} characters.`)

/** A new passphrase, and the old one where it is asked for. */
export const passphraseFields = z.strictObject({ passphrase: passphraseText, old: z.string().max(5000) })

/** A try to get in. What is wrong with it is for the lock to say. */
export const unlockFields = z.strictObject({ passphrase: z.string().max(5000) })
