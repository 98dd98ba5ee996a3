import { soak } from '../e2e/support/soak'

const rounds = Number(process.argv[2] ?? 100)
const startMs = Date.now()
const result = await soak(rounds, console.log)
const { acknowledged, lost, twice, errors, sound } = result
const uncured = result.rounds.filter((round) => round.curedMs === Infinity)
console.log(
  `\n${result.rounds.length} rounds in ${((Date.now() - startMs) / 1000).toFixed(0)} s: ${acknowledged} taps acknowledged, ${lost} lost, ${twice} twice; database ${sound ? 'sound' : 'NOT SOUND'}`,
)
const slowest = result.rounds.toSorted((a, b) => b.curedMs - a.curedMs)[0]
console.log(`slowest to go on: ${((slowest?.curedMs ?? 0) / 1000).toFixed(1)} s after ${slowest?.fault}`)
for (const error of new Set(errors)) console.log(error)
if (lost + twice + errors.length + uncured.length > 0 || !sound || acknowledged < rounds) process.exit(1)
