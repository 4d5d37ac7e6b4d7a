import {readFileSync} from 'fs';
import loadHighs from 'highs';
import {parseDocument, schoolsOf} from '@/core/rig';
import {parseKit} from '@/core/kit';
import {stockOf} from '@/core/plan/stock';
import {tasksOf} from '@/core/plan/tasks';
import {assessor} from '@/core/plan/assess';
import {placesOf} from '@/core/plan/assign/places';
import {columnsAt} from '@/core/plan/assign/columns';
import {modelOf} from '@/core/plan/assign/model';
import {decoded} from '@/core/plan/assign/decode';
import {highsSolver} from '@/core/plan/program/highs';
import {checkRig} from '@/core/check';
import {readDocument} from '@/core/rig';
async function main(){
const highs=await loadHighs();
const d=parseDocument(readFileSync(process.argv[2]??'demo/lock-nine.json','utf8')); const kit=parseKit(readFileSync('demo/kit.json','utf8')).items;
const stock=stockOf(kit,d); const schools=schoolsOf(d);
const g={document:d,schools,tasks:tasksOf(d),places:placesOf(d),pieces:[...stock.values()],assess:assessor(schools),voltage:new Map([['bag','48 V']])} as any;
console.time('columns');
const cols=g.tasks.flatMap((_:any,t:number)=>g.places.flatMap((_:any,p:number)=>columnsAt(g,t,p)));
console.timeEnd('columns'); console.log(cols.length,'columns'); if(process.env.DIST){const c:any={};for(const x of cols){const k=g.tasks[x.task].line.id;c[k]=(c[k]??0)+1}console.log(c); for(const x of cols.filter((x:any)=>g.tasks[x.task].line.id===process.env.DIST)) console.log(x.place,x.feed,x.judged.verdict,x.judged.changes,x.judged.complexity,x.needs,x.judged.chain.steps.map((s:any)=>s.piece.label+(s.slot?'*':'')+(s.part.choices?.battery??'')+(s.part.choices?.feed??'')).join(' > '));process.exit()}
const m=modelOf(g,cols); console.log(m.program.uppers.length,'vars',m.program.rows.length,'rows');
for(let k=0;k<3;k++){console.time('RUN'+k);highsSolver(highs)(m.program,m.stages,{seconds:20,clock:()=>performance.now()/1000});console.timeEnd('RUN'+k)}
console.time('solve');
const o=highsSolver(highs)(m.program,m.stages,{seconds:20,clock:()=>performance.now()/1000,onProgress:(p)=>console.log(p.goal, p.outcome?.reached.map(r=>r.value).join(' '))});
console.timeEnd('solve'); console.log(o?.reached,o?.optimal);
if(!o)return;
const r=decoded(g,m,o.solution);
for(const p of r.placed) console.log(p.line.id.padEnd(20),(p.task.now?p.task.now.device+' '+p.task.now.inlet:'-').padEnd(12),'=>',p.inlet.device,p.inlet.inlet,p.column.feed,p.column.judged.verdict,p.pieces.map(x=>x.piece.label).join(' > '),p.column.judged.changes);
console.log('out',r.out.map(t=>t.line.id),r.feeds.map(f=>f.device+f.group+':'+f.feed).join(' '));
const doc=readDocument(r.document); const c=checkRig(doc); for(const l of c.lines) if(l.verdict!=='Clear') console.log(l.id,l.verdict,l.findings.map(f=>f.what).join('; '));
}
main();
