import type { RequestFault } from '@/access/request-check'
import type { DatabaseProblem } from '@/data/database-problem'
import type { Trouble } from '@/data/trouble'

/** What keeps the database from its work, and what to do about it. */
export const TROUBLE_WORDS: Readonly<Record<Trouble, string>> = {
  BUSY: 'Another program is writing to the data just now. Wait a moment and try again.',
  FULL: 'The disk is full. Make room on the machine Kelpfield runs on, then try again.',
  READ_ONLY:
    'The data folder cannot be written to. Give Kelpfield the right to write there on its machine, then try again.',
  GONE: 'The data folder, or the database in it, was taken away while Kelpfield was running. Put it back on the machine, then try again.',
  BROKEN:
    'The database on the disk cannot be read or written properly. Check the disk of the machine; if it stays, put the latest backup back.',
  CROWDED:
    'So many files and connections are open on the machine that no more can be opened. Close some windows, or restart Kelpfield, then try again.',
}

/** Why the database that is there cannot be opened. */
export const PROBLEM_WORDS: Readonly<Record<DatabaseProblem, string>> = {
  FOLDER_NOT_WRITABLE: TROUBLE_WORDS.READ_ONLY,
  NOT_A_DATABASE:
    'The file in the data folder is not a database. Put yours, or a backup of it, in its place.',
  OTHER_APPLICATION:
    'The database in the data folder is of another application. Put yours, or a backup of it, in its place.',
  OTHER_SCHEMA:
    'The database in the data folder has other tables than Kelpfield ever made. Put a backup in its place.',
  NEWER_VERSION: 'The database comes from a newer Kelpfield. Start that one, or update this one.',
  DAMAGED: TROUBLE_WORDS.BROKEN,
  BAD_ROWS: 'The database in the data folder holds values that cannot be. Put a backup in its place.',
  MISSING:
    'The database is missing, but databases that backups once took the place of are still there. What Kelpfield printed on its machine says how to go on.',
}

/** Why a request was not carried out because of where it came from. */
export const REQUEST_FAULT_WORDS: Readonly<Record<RequestFault, string>> = {
  FOREIGN_HOST:
    'Kelpfield does not answer to this host name. Use the address it printed at the start, or add the name to KELPFIELD_HOSTS.',
  FOREIGN_ORIGIN: 'This request came from another site and was not carried out.',
}

const NO_BACKUP = 'This file is not a backup. Choose one that was taken here, ending in .db.'
const DAMAGED_BACKUP = 'This backup is damaged and cannot be put back. Try an older one.'

/** Why a backup is refused, without paths of the machine. */
export const BACKUP_WORDS: Readonly<Record<DatabaseProblem, string>> = {
  FOLDER_NOT_WRITABLE: TROUBLE_WORDS.READ_ONLY,
  NOT_A_DATABASE: NO_BACKUP,
  OTHER_APPLICATION: 'This file is a database of another application. Choose a Kelpfield backup.',
  OTHER_SCHEMA: 'This file has other tables than Kelpfield ever made, so it is not put back.',
  NEWER_VERSION: 'This backup comes from a newer Kelpfield. Update this one first.',
  DAMAGED: DAMAGED_BACKUP,
  BAD_ROWS: 'This backup holds values that cannot be, so it is not put back.',
  MISSING: NO_BACKUP,
}
