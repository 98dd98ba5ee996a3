/** Gives a file to who sits here; nothing leaves the machine. */
export function save(blob: Blob, name: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** The name as a file can carry it everywhere. */
export const fileName = (name: string, ending: string): string =>
  `${name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').replaceAll(/^-|-$/g, '') || 'kelpfield'}.${ending}`
