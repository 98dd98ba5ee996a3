import type { Migration } from 'kysely'
import { designsAndProjects } from './0001-designs-and-projects'
import { stock } from './0002-stock'
import { cuts } from './0003-cuts'
import { runs } from './0004-runs'
import { joinsAndDeliveries } from './0005-joins-and-deliveries'
import { roomAccess } from './0006-room-access'
import { figures } from './0007-figures'
import { runWay } from './0008-run-way'
import { keysApart } from './0009-keys-apart'
import { plansAndParts } from './0010-plans-and-parts'
import { madeOfPieces } from './0011-made-of-pieces'
import { orders } from './0012-orders'
import { occasionsAndSets } from './0013-occasions-and-sets'
import { ledger } from './0014-ledger'
import { papersAndSupplies } from './0015-papers-and-supplies'
import { plainPieces } from './0016-plain-pieces'
import { plansWanted } from './0017-plans-wanted'

/**
 * Every migration, by the name it is remembered under; the order of the names is the order of the
 * steps. One that was ever on main is never edited: what it left is mended by a new one.
 */
export const MIGRATIONS: Readonly<Record<string, Migration>> = {
  '0001-designs-and-projects': designsAndProjects,
  '0002-stock': stock,
  '0003-cuts': cuts,
  '0004-runs': runs,
  '0005-joins-and-deliveries': joinsAndDeliveries,
  '0006-room-access': roomAccess,
  '0007-figures': figures,
  '0008-run-way': runWay,
  '0009-keys-apart': keysApart,
  '0010-plans-and-parts': plansAndParts,
  '0011-made-of-pieces': madeOfPieces,
  '0012-orders': orders,
  '0013-occasions-and-sets': occasionsAndSets,
  '0014-ledger': ledger,
  '0015-papers-and-supplies': papersAndSupplies,
  '0016-plain-pieces': plainPieces,
  '0017-plans-wanted': plansWanted,
}

/** Version of the data, kept in the file's header as `user_version`. */
export const DATA_VERSION = Object.keys(MIGRATIONS).length
