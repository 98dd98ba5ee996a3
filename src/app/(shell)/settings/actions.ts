'use server'

import { z } from 'zod'
import { act } from '@/app/_server/act'
import { clearReplaced, goBackTo } from '@/flows/backup'
import { saveSettings, switchUnit } from '@/flows/settings'
import { config, roomContext } from '@/flows/context'
import { setPassphrase } from '@/flows/room'

export async function switchUnitAction(to: unknown): Promise<void> {
  await act((context) => switchUnit(context, to))
}

export const saveSettingsAction = async (input: unknown) => act((context) => saveSettings(context, input))

const typedTexts = z.object({ passphrase: z.string(), old: z.string() })

/** Open to the room, whoever sets a new passphrase has to know the old one: an unlocked tablet may lie about. */
export const setPassphraseAction = async (input: unknown) =>
  act(async () => {
    const { passphrase, old } = typedTexts.catch({ passphrase: '', old: '' }).parse(input)
    return setPassphrase(await roomContext(), passphrase, config().room ? old : null)
  })

/** Deletes what backups took the place of, as many as were shown. */
export const clearReplacedAction = async (seen: unknown) => act(() => clearReplaced(seen))

/** Goes back to a database that a backup took the place of. */
export const goBackAction = async (name: unknown) => act(() => goBackTo(z.string().catch('').parse(name)))
