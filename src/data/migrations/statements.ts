import { sql, type Kysely, type Migration } from 'kysely'

/** A statement ends at a semicolon that ends a line; triggers keep theirs on one line. */
const END_OF_STATEMENT = /;\s*\n/

/** A forward migration from plain SQL. There is no way back but a backup. */
export const statements = (text: string): Migration => ({
  async up(db: Kysely<unknown>): Promise<void> {
    for (const statement of text.split(END_OF_STATEMENT)) {
      if (statement.trim() !== '') await sql.raw(statement).execute(db)
    }
  },
})
