import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { RunEvent } from '@/core/run'

/** A tap as the browser keeps it: in order, with the database epoch it was taken in under, once it was. */
export interface KeptTap {
  readonly order?: number
  readonly runId: string
  readonly event: RunEvent
  readonly takenEpoch: string | null
}

interface TapStore extends DBSchema {
  taps: { key: number; value: KeptTap; indexes: { run: string; id: string } }
}

/** Kept taps older than this are let go once the server has them: long enough to outlive any restored backup. */
const KEEP_MS = 14 * 24 * 3600 * 1000

/** Where taps are kept before they are sent; `persistent` is false where the browser has no store for them. */
export interface Outbox {
  readonly persistent: boolean
  readonly add: (event: RunEvent) => Promise<void>
  /** Taps of this run that the database of this epoch has not taken in, in order. */
  readonly untaken: (epoch: string) => Promise<readonly RunEvent[]>
  readonly markTaken: (ids: readonly string[], epoch: string) => Promise<void>
  readonly drop: (ids: readonly string[]) => Promise<void>
}

async function openStore(): Promise<IDBPDatabase<TapStore>> {
  return openDB<TapStore>('kelpfield-taps', 1, {
    upgrade(db) {
      const taps = db.createObjectStore('taps', { keyPath: 'order', autoIncrement: true })
      taps.createIndex('run', 'runId')
      taps.createIndex('id', 'event.id', { unique: true })
    },
  })
}

async function forEachTap(
  store: IDBPDatabase<TapStore>,
  ids: readonly string[],
  change: (tap: KeptTap) => KeptTap | null,
) {
  const transaction = store.transaction('taps', 'readwrite')
  for (const id of ids) {
    const tap = await transaction.store.index('id').get(id)
    if (!tap) continue
    const next = change(tap)
    await (next === null ? transaction.store.delete(tap.order ?? -1) : transaction.store.put(next))
  }
  await transaction.done
}

/**
 * A tap is first noted here, in the same moment it is shown: the browser's database answers a little later, and a lid
 * may close in between. The note goes once the database has the tap.
 */
const noteKey = (runId: string, event: RunEvent): string =>
  `kelpfield-tap:${runId}:${String(event.atMs).padStart(15, '0')}:${event.id}`

function noteNow(runId: string, event: RunEvent): void {
  try {
    localStorage.setItem(noteKey(runId, event), JSON.stringify(event))
  } catch {
    // Full or forbidden: the database alone keeps the tap.
  }
}

function forgetNote(runId: string, event: RunEvent): void {
  try {
    localStorage.removeItem(noteKey(runId, event))
  } catch {
    // What cannot be read cannot be left behind.
  }
}

/** Notes of this run that an earlier page left, in the order of their taps. */
function notesLeft(runId: string): readonly RunEvent[] {
  try {
    const keys = Array.from({ length: localStorage.length }, (_, index) => localStorage.key(index) ?? '')
    return keys
      .filter((key) => key.startsWith(`kelpfield-tap:${runId}:`))
      .sort()
      .flatMap((key) => JSON.parse(localStorage.getItem(key) ?? '[]') as RunEvent)
  } catch {
    return []
  }
}

/** Adds a tap unless it is there: another window may have taken its note over in the same moment. */
async function addOnce(store: IDBPDatabase<TapStore>, tap: KeptTap): Promise<void> {
  try {
    await store.add('taps', tap)
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'ConstraintError')) throw error
  }
}

/** Takes notes over into the database; one that is there already only loses its note. */
async function takeNotesOver(store: IDBPDatabase<TapStore>, runId: string): Promise<void> {
  for (const event of notesLeft(runId)) {
    if (!(await store.getFromIndex('taps', 'id', event.id)))
      await store.add('taps', { runId, event, takenEpoch: null })
    forgetNote(runId, event)
  }
}

function inBrowser(store: IDBPDatabase<TapStore>, runId: string, nowMs: number): Outbox {
  const ofRun = () => store.getAllFromIndex('taps', 'run', runId)
  return {
    persistent: true,
    add: async (event) => {
      noteNow(runId, event)
      await addOnce(store, { runId, event, takenEpoch: null })
      forgetNote(runId, event)
    },
    untaken: async (epoch) => {
      const taps = await ofRun()
      const old = taps.filter((tap) => tap.takenEpoch === epoch && tap.event.atMs < nowMs - KEEP_MS)
      await forEachTap(
        store,
        old.map((tap) => tap.event.id),
        () => null,
      )
      return taps.filter((tap) => tap.takenEpoch !== epoch).map((tap) => tap.event)
    },
    markTaken: (ids, epoch) => forEachTap(store, ids, (tap) => ({ ...tap, takenEpoch: epoch })),
    drop: (ids) => forEachTap(store, ids, () => null),
  }
}

/** For browsers without a store (some private windows): taps live as long as the page, and the screen says so. */
function inMemory(): Outbox {
  const taps = new Map<string, { event: RunEvent; takenEpoch: string | null }>()
  return {
    persistent: false,
    add: (event) => {
      taps.set(event.id, { event, takenEpoch: null })
      return Promise.resolve()
    },
    untaken: (epoch) =>
      Promise.resolve([...taps.values()].filter((tap) => tap.takenEpoch !== epoch).map((tap) => tap.event)),
    markTaken: (ids, epoch) => {
      for (const id of ids) {
        const tap = taps.get(id)
        if (tap) taps.set(id, { ...tap, takenEpoch: epoch })
      }
      return Promise.resolve()
    },
    drop: (ids) => {
      ids.forEach((id) => taps.delete(id))
      return Promise.resolve()
    },
  }
}

export async function openOutbox(runId: string, nowMs: number): Promise<Outbox> {
  try {
    const store = await openStore()
    await takeNotesOver(store, runId)
    return inBrowser(store, runId, nowMs)
  } catch {
    return inMemory()
  }
}
