import { LIBRARY, mainPart, programOf, assemble, measureAssembled, sightOf } from './src/core/design'
import { runProgram } from './src/core/fold'
for (const d of LIBRARY) for (const v of d.variants) if (v.assembly) { const p = programOf(mainPart(d), v)!; const end = runProgram(p).end; const laid = assemble(v.assembly, end, {}); console.log(d.id, v.key, v.assembly.units, ...(['across','hole-widest','hole-circle','hole'] as const).map(m=>m+' '+measureAssembled(laid,m).toFixed(4)), 'sight', sightOf(v.assembly,end,{})?.toFixed(4)) }
