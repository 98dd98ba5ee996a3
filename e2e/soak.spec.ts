import { expect, test } from '@playwright/test'
import { soak } from './support/soak'

test('whatever befalls the data, every acknowledged tap is kept once and the taps go on by themselves', async () => {
  test.setTimeout(180_000)
  const { rounds, acknowledged, ...result } = await soak(5)
  expect(result).toMatchObject({ lost: 0, twice: 0, errors: [], sound: true })
  expect(acknowledged).toBeGreaterThan(50)
  expect(rounds.map((round) => Number.isFinite(round.curedMs))).toEqual([true, true, true, true, true])
})
