// Every pattern that ships, written with 4 to 12 digits behind the point of a side of 1 and read again: how many come
// back with the layers they were folded with, and how long setting their corners right takes.
import { defaultGauges, gaugeShares, LIBRARY, mainPart, programOf } from '../src/core/design'
import { BASES, figuresOf, foldPattern, runProgram } from '../src/core/fold'
import { readFoldFile, writeFoldFile } from '../src/formats/fold-file'
import { percentile, report } from './figures'

const ends = [
  ...BASES.map(({ program }) => runProgram(program).end),
  ...LIBRARY.flatMap((design) =>
    design.variants.flatMap((variant) => {
      const program = programOf(mainPart(design), variant)
      return program ? [runProgram(program, gaugeShares(design, defaultGauges(design), 150)).end] : []
    }),
  ),
].filter(({ state }) => !state.cutAway)

console.log('\nFOLD files with few digits')
for (let digits = 4; digits <= 12; digits++) {
  const times: number[] = []
  let right = 0
  for (const end of ends) {
    const file = writeFoldFile(end, { title: '', description: '', sideMm: 1 })
    const rounded = {
      ...file,
      vertices_coords: file.vertices_coords?.map((at) => at.map((value) => Number(value.toFixed(digits)))),
    }
    const text = JSON.stringify(rounded)
    const startMs = performance.now()
    const result = readFoldFile(text)
    times.push(performance.now() - startMs)
    const folded = result.ok ? foldPattern(result.read.pattern, { most: 2 }) : null
    if (!folded?.ok) continue
    const [was, now] = [figuresOf(end.state), figuresOf(folded.state)]
    if (was.mostLayers === now.mostLayers && was.fewestLayers === now.fewestLayers) right++
  }
  report(`${digits} digits: right of ${ends.length}`, right, '', null)
  report('  reading, median', percentile(times, 0.5), 'ms', null)
  report('  reading, worst', percentile(times, 1), 'ms', null)
}
