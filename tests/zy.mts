import { DEMOS } from '../core/demo'
import { createAssessor } from '../core/assess'
import { toss, steadyGlide, suitingThrow, glideElevator, survivingBalance, gliderOf } from '../core/workshop/toss'
import { fly } from '../core/toss'
import { written } from '../core/units'
for (const d of DEMOS){ const a=createAssessor(); const as=a.assess(d); let t=performance.now(); const tab=a.flown(d).pitch(true); console.log(d.name,'tables',performance.now()-t, tab.stallSpeed, tab.clMax, tab.inertia, tab.plates)
const glide=as.trim.find(r=>r.id==='glide'&&r.payload)!; console.log(glide.speedMs, glide.controlDeg, glide.glideRatio, glide.alphaDeg, 'el', glideElevator(tab, glide.speedMs))
const f=fly(gliderOf(tab),{speed:glide.speedMs,path:-1/glide.glideRatio,attitude:glide.alphaDeg*Math.PI/180-1/glide.glideRatio,height:3000,elevator:glide.controlDeg!*Math.PI/180,wind:0,gust:null,thrust:null,seconds:120}); const l=f.path.at(-1)!, b=f.path.at(-501)!; console.log('steady', l.speed, (l.x-b.x)/(b.z-l.z))
const base={speedMs:d.brief.throwMs, pathDeg:0, heightM:1.8, elevatorDeg: glide.controlDeg!, windMs:0, gustMs:0}
t=performance.now(); const r=toss(tab, base); console.log('toss ms',performance.now()-t, written(r.reading), r.distanceM, r.kind)
t=performance.now(); for(let i=0;i<20;i++) toss(tab, base); console.log('per toss', (performance.now()-t)/20)
t=performance.now(); console.log(steadyGlide(tab, base.elevatorDeg)); const th=suitingThrow(tab, base, 12)!; console.log(th, written(toss(tab,th).reading)); t=performance.now(); console.log(survivingBalance(tab, th), performance.now()-t)
for (const cg of [-20,-10,10,20]) console.log(cg, written(toss(tab,base,{cgShift:cg/1000,momentOff:0,massShare:1}).reading)) }
