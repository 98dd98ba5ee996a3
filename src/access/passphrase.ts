import { hash, verify } from '@node-rs/argon2'

export const SHORTEST_PASSPHRASE = 8
export const LONGEST_PASSPHRASE = 200

/** Why a passphrase cannot be used; `null` when it can. */
export function passphraseProblem(passphrase: string): string | null {
  if (passphrase.trim().length < SHORTEST_PASSPHRASE)
    return `Use at least ${SHORTEST_PASSPHRASE} characters, better several words.`
  if (passphrase.length > LONGEST_PASSPHRASE) return `Keep it under ${LONGEST_PASSPHRASE} characters.`
  return null
}

/** Argon2id with the library's defaults; salt and parameters are in the text. */
export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase.normalize('NFC'))

export const passphraseFits = (passphraseHash: string, passphrase: string): Promise<boolean> =>
  passphrase.length > LONGEST_PASSPHRASE
    ? Promise.resolve(false)
    : verify(passphraseHash, passphrase.normalize('NFC'))
