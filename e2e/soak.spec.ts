import { expect, test } from '@playwright/test'
import { soak } from './support/soak'

test('whatever befalls the data, every acknowledged tap is kept once and the taps go on by themselves', async () => {
  test.setTimeout(180_000)
  const { rounds, acknowledged, ...result } = await soak(5)
  const [killed, , , full, folder] = rounds.map(({ refused }) => Object.keys(refused).map(Number))
  // The faults did bite: a full disk is 507, or where only growing could be forbidden 503; a folder that is gone is 503.
  expect(full?.every((status) => status === 507 || status === 503)).toBe(true)
  expect(full?.length).toBeGreaterThan(0)
  expect(folder).toEqual([503])
  expect(killed).toEqual([])
  expect(result).toMatchObject({ lost: 0, twice: 0, errors: [], sound: true })
  expect(acknowledged).toBeGreaterThan(50)
  expect(rounds.map((round) => Number.isFinite(round.curedMs))).toEqual([true, true, true, true, true])
})
