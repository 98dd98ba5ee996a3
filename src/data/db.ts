import type { Kysely } from 'kysely'
import type { Tables } from './tables'

/** A database or a transaction on it; repositories take either. */
export type Db = Kysely<Tables>
