import {readFileSync} from 'fs';
import loadHighs from 'highs';
import {parseDocument} from '@/core/rig';
import {parseKit} from '@/core/kit';
import {planRig} from '@/core/plan/plan';
import {highsSolver} from '@/core/plan/program/highs';
async function main(){
const highs=await loadHighs();
let d=parseDocument(readFileSync(process.argv[2]??'demo/lock-nine.json','utf8')); const kit=parseKit(readFileSync('demo/kit.json','utf8')).items;
if(process.env.KIT) kit.forEach((k:any)=>{if(k.id===process.env.KIT)k.count=0});
console.time('plan'); let last='';
const r=planRig({document:d,kit,seconds:15,onlyKit:!!process.env.ONLY},{solver:highsSolver(highs),clock:()=>performance.now()/1000,onProgress:(p)=>{const t=p.doing==='chains'?'chains':p.goal; if(t!==last){last=t;console.log(t,Math.round(performance.now()))}}});
console.timeEnd('plan');
const p=r.proposal;
for(const c of p.lines) console.log(`${c.name}: ${c.before} -> ${c.after} | ${c.from?.name} => ${c.to.name} | in ${c.putIn.join(', ')} | out ${c.takenOut.join(', ')} | ${c.set.join()} | ${c.reason}`);
for(const s of p.switches) console.log(`${s.name}: ${s.from} => ${s.to} | ${s.reason}`);
console.log(p.leftOut,p.toGet,p.same,p.counts,p.reached,p.optimal,JSON.stringify(r.instead));
}
main();
