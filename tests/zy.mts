import { DEMOS } from '../core/demo'
import { createAssessor } from '../core/assess'
import { jigs, jigPrints } from '../core/workshop/build'
import { testKernel } from '../core/testing/kernel'
import { writeFileSync } from 'node:fs'
for (const d of DEMOS){ const a=createAssessor(); const f=a.airframe(d); const t=performance.now(); const list=jigs(f,a.assess(d)); const {prints}=jigPrints(await testKernel(), d, list); console.log(d.name, prints.filament, prints.plates.length, performance.now()-t)
for (const j of prints.jigs) console.log(j.mark,j.id,j.count,j.loops.length,j.sizeMm.map(x=>x.toFixed(0)).join('x'),j.massG.toFixed(1),j.minutes.toFixed(0), j.tooLarge)
let x=0, svg=''; for (const j of prints.jigs){ let x0=1e9,y1=-1e9,x1=-1e9; for(const l of j.loops) for(let i=0;i<l.length;i+=2){x0=Math.min(x0,l[i]);x1=Math.max(x1,l[i]);y1=Math.max(y1,l[i+1])}
svg+=`<path transform="translate(${(x%900)-x0},${Math.floor(x/900)*170+y1})" fill-rule="evenodd" d="${j.loops.map(l=>'M'+Array.from({length:l.length/2},(_,i)=>`${l[2*i]} ${-l[2*i+1]}`).join('L')+'Z').join('')}"/>`; x+=x1-x0+20 }
writeFileSync(`/tmp/base/j-${d.id}.svg`, `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1150 620" width="1150" height="620">${svg}</svg>`) }
