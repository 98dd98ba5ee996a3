/** Debian's Chromium, headless, without a word to the outside. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--process-per-site',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
] as const
