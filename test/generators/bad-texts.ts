/** What people, paste buffers and the curious put into fields. */
export const BAD_TEXTS: readonly (readonly [what: string, text: string])[] = [
  ['empty', ''],
  ['blank', '   '],
  ['negative', '-5'],
  ['zero', '0'],
  ['huge', '99999999999999999999'],
  ['1e999', '1e999'],
  ['text', 'about a dozen'],
  ['emoji', '\u{1F33F}\u{1F33F}'],
  ['script', '<script>alert(1)</script>'],
  ['10,000 characters', '7'.repeat(10_000)],
  ['control characters', '5\u0000'],
]
