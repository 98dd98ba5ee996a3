import { LIBRARY, mainPart, programOf, waysOf } from './src/core/design'
import { BASES, runProgram, looseLocks, creasedAgainst } from './src/core/fold'
import { defaultGauges, gaugeShares } from './src/core/design'
for (const b of BASES) { const t = runProgram(b.program); const c = creasedAgainst(t.frames); if (c.length) console.log('base', b.id, c.length) ; }
for (const d of LIBRARY) for (const v of d.variants) for (const w of waysOf(mainPart(d), v)) { const p = programOf(mainPart(d), v, w); if(!p) continue; const g = gaugeShares(d, defaultGauges(d), 150); const t = runProgram(p, g); const c = creasedAgainst(t.frames, g), l = looseLocks(t.frames); if (c.length||l.length) console.log(d.id, v.key, w, 'against', c.length, 'loose', JSON.stringify(l)); else if (p.steps.some(s=>s.rounds.some(r=>r.moves.some(m=>m.kind==='tuck')))) console.log(d.id,v.key,'tucks hold') }
