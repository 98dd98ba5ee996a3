'use server'

import { act } from '@/app/_server/act'
import { saveSettings, switchUnit } from '@/flows/settings'
import { setPassphrase } from '@/flows/room'

export async function switchUnitAction(): Promise<void> {
  await act(switchUnit)
}

export const saveSettingsAction = async (input: unknown) => act((context) => saveSettings(context, input))

export const setPassphraseAction = async (passphrase: unknown) =>
  act((context) => setPassphrase(context, typeof passphrase === 'string' ? passphrase : ''))
