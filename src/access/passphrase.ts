import { hash, verify } from '@node-rs/argon2'

/** Argon2id with the library's defaults; salt and parameters are in the text. */
export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase.normalize('NFC'))

export const passphraseFits = (passphraseHash: string, passphrase: string): Promise<boolean> =>
  verify(passphraseHash, passphrase.normalize('NFC'))
