import { DEMOS } from '../core/demo'
import { createAssessor } from '../core/assess'
import { toss, gliderOf } from '../core/workshop/toss'
const d=DEMOS[0]; const a=createAssessor(); const tab=a.flown(d).pitch(true); const el=1.7639
const g=gliderOf(tab)
for (let deg=-20; deg<=30; deg+=2.5){ const r=g.at(deg*Math.PI/180,7,el*Math.PI/180); console.log(deg, r.CL.toFixed(3), r.CD.toFixed(3), r.Cm.toFixed(3)) }
for (const v of [6.70,6.76,6.78,6.79,6.80,6.82,6.9]) { const p=toss(tab,{speedMs:v,pathDeg:0,heightM:12,elevatorDeg:el,windMs:0,gustMs:0}).path; console.log(v, [0,10,20,30,40,50,60].map(i=>`${(p[i].alpha*57.3).toFixed(1)}/${p[i].z.toFixed(3)}/${p[i].x.toFixed(3)}`).join('  ')) }
