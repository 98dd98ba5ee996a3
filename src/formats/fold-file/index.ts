export { writeFoldFile } from './write'
export { MOST_FILE_BYTES, readFoldFile, tooLarge, type ReadPattern } from './read'
export type { FileFault } from './fault'
